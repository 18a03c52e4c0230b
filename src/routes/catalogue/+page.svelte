<script lang="ts">
  import CatalogueView from '$lib/shop/catalogue/CatalogueView.svelte';
  import TopBar from '$lib/shop/TopBar.svelte';
</script>

<svelte:head><title>Catalogue – Tenant</title></svelte:head>

<TopBar />
<CatalogueView />
