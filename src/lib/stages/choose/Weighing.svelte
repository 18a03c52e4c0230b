<script lang="ts">
  /** What a plan can be held against before it is accepted: its cost part by part, other plans, fixed choices. */
  import type { JobModel } from '../jobModel.svelte';
  import Alternatives from './Alternatives.svelte';
  import Pins from './Pins.svelte';
  import Weights from './Weights.svelte';

  let { model }: { model: JobModel } = $props();
</script>

<Weights {model} />
<Alternatives {model} />
<Pins {model} />
