<script lang="ts">
  import { page } from '$app/state';
  import type { Stage } from '$core/document';
  import JobView from '$lib/stages/JobView.svelte';

  const id = $derived(page.params['id'] ?? '');
  const stage = $derived(page.params['stage'] as Stage);
</script>

{#key id}
  <JobView {id} {stage} />
{/key}
