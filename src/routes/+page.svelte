<script lang="ts">
  import JobList from '$lib/shop/JobList.svelte';
  import TopBar from '$lib/ui/TopBar.svelte';
</script>

<svelte:head><title>Jobs – Tenant</title></svelte:head>

<TopBar />
<JobList />
