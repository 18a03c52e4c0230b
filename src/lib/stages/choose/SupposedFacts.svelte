<script lang="ts">
  /** Any fact of the machine, told otherwise than it is, in the survey's own forms; the survey is not touched. */
  import type { Machine } from '$core/document';
  import CaseForm from '../survey/CaseForm.svelte';
  import SlotForm from '../survey/SlotForm.svelte';
  import SlotList from '../survey/SlotList.svelte';
  import SystemForm from '../survey/SystemForm.svelte';

  let { machine, change }: { machine: Machine; change: (machine: Machine) => void } = $props();
</script>

<SlotList {machine} {change} />
<SlotForm {machine} {change} />
<CaseForm {machine} {change} />
<SystemForm {machine} {change} />
