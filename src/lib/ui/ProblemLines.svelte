<script lang="ts">
  /** What could not be read, each with its place. */
  import type { Problem } from '$core/read';
  import { problemPlace, problemWords } from '$words/problems';

  let { problems }: { problems: readonly Problem[] } = $props();
</script>

<ul>
  {#each problems as problem, n (n)}
    <li><strong>{problemPlace(problem)}</strong> {problemWords(problem)}</li>
  {/each}
</ul>

<style>
  ul {
    max-height: 14rem;
    overflow: auto;
    margin: 0.5rem 0;
  }
  li {
    margin: 0.25rem 0;
  }
</style>
