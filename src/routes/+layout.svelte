<script lang="ts">
  import 'carbon-components-svelte/css/all.css';
  import '@fontsource/ibm-plex-sans/latin-400.css';
  import '@fontsource/ibm-plex-sans/latin-600.css';
  import '@fontsource/ibm-plex-mono/latin-400.css';
  import '$lib/app.css';
  import { letters } from '$lib/state/letters.svelte';
  import { money } from '$lib/state/money.svelte';
  import { renewal } from '$lib/state/renewal.svelte';
  import { shop } from '$lib/state/shop.svelte';
  import { theme } from '$lib/state/theme.svelte';
  import type { Snippet } from 'svelte';
  import Fetched from '$lib/ui/Fetched.svelte';

  let { children }: { children: Snippet } = $props();

  theme.read();
  letters.read();
  void money.read();
  void shop.open();
  void renewal.watch();
</script>

{#if renewal.isOvertaken || renewal.isWaiting}
  <Fetched load={() => import('$lib/ui/RenewalNotice.svelte')}>
    {#snippet shown(RenewalNotice)}<RenewalNotice />{/snippet}
  </Fetched>
{/if}
{@render children()}
