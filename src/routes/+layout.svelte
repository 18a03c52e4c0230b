<script lang="ts">
  import 'carbon-components-svelte/css/all.css';
  import '@fontsource/ibm-plex-sans/latin-400.css';
  import '@fontsource/ibm-plex-sans/latin-600.css';
  import '@fontsource/ibm-plex-mono/latin-400.css';
  import '$lib/app.css';
  import { money } from '$lib/state/money.svelte';
  import { shop } from '$lib/state/shop.svelte';
  import { theme } from '$lib/state/theme.svelte';
  import type { Snippet } from 'svelte';

  let { children }: { children: Snippet } = $props();

  theme.read();
  void money.read();
  void shop.open();
</script>

{@render children()}
