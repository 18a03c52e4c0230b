<script lang="ts">
  import JobList from '$lib/shop/JobList.svelte';
  import TopBar from '$lib/ui/TopBar.svelte';
  import { homePage as texts } from '$words/routes';
</script>

<svelte:head><title>{texts.jobsTenant}</title></svelte:head>

<TopBar />
<JobList />
