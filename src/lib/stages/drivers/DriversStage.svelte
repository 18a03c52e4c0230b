<script lang="ts">
  /** The steps to the drivers, and beside them what packages at hand would do to this machine. */
  import type { Stage } from '$core';
  import type { JobModel } from '../jobModel.svelte';
  import StepStage from '../steps/StepStage.svelte';
  import PackagesAtHand from './PackagesAtHand.svelte';

  let { model, stage }: { model: JobModel; stage: Stage } = $props();
</script>

<StepStage {model} {stage} />
<PackagesAtHand {model} />
