/** Of `+page.svelte`. */
export const homePage = {
  jobsTenant: 'Jobs – Tenant',
};

/** Of `+page.svelte`. */
export const cataloguePage = {
  catalogueTenant: 'Catalogue – Tenant',
};
