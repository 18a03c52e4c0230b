<script lang="ts">
  import CatalogueView from '$lib/catalogue/CatalogueView.svelte';
  import TopBar from '$lib/ui/TopBar.svelte';
  import { cataloguePage as texts } from '$words/routes';
</script>

<svelte:head><title>{texts.catalogueTenant}</title></svelte:head>

<TopBar />
<CatalogueView />
