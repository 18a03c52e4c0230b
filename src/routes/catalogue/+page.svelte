<script lang="ts">
  import CatalogueView from '$lib/catalogue/CatalogueView.svelte';
  import TopBar from '$lib/ui/TopBar.svelte';
</script>

<svelte:head><title>Catalogue – Tenant</title></svelte:head>

<TopBar />
<CatalogueView />
