/** Everything is computed in the browser from what the browser keeps: the server only hands out the page. */
export const ssr = false;
