<script lang="ts">
  import Working from '$lib/ui/Working.svelte';
  import { onMount, untrack } from 'svelte';
  import { afterNavigate, goto } from '$app/navigation';
  import { tinykeys } from 'tinykeys';
  import { STAGES, type Stage } from '$core/document';
  import type { OpenJob } from '$lib/state/openJob.svelte';
  import { selection } from '$lib/state/selection.svelte';
  import { isNoCommand } from '$lib/ui/keys';
  import { keepFocus } from '$lib/ui/keepFocus';
  import Fetched from '$lib/ui/Fetched.svelte';
  import { STAGE_WORDS } from '$words/stages';
  import { JobModel } from './jobModel.svelte';
  import Divider from './Divider.svelte';
  import JobHead from './JobHead.svelte';
  import MachineView from './MachineView.svelte';
  import SavingNotice from './SavingNotice.svelte';
  import { PANELS } from './panels';
  import PartFailed from './PartFailed.svelte';
  import { watchTyping } from './typing';
  import StageRail from './StageRail.svelte';
  import { jobPage as texts } from '$words/stages/all';

  let { open, stage }: { open: OpenJob; stage: Stage } = $props();

  const model = new JobModel(untrack(() => open));
  const job = $derived(model.job);
  const here = $derived(`/jobs/${job.id}`);
  /** What is proven and handed over wants the width: the drawing stands aside. */
  const isAside = $derived(stage === 'prove' || stage === 'hand-over');
  selection.clear();
  /** Width of the panel where the divider was moved; otherwise the window decides it. */
  let movedPx = $state<number | null>(null);
  let panelPx = $state(0);
  let boardArea = $state<HTMLElement>();

  const go = (to: Stage) => goto(`${here}/${to}`);

  let panel = $state<HTMLElement>();
  onMount(() => panel && watchTyping(panel, (is) => (open.isTyping = is)));
  onMount(() => panel && keepFocus(panel));
  // A stage that was gone to is where keys and reading go on.
  afterNavigate(({ type }) => {
    if (type !== 'enter') panel?.focus({ preventScroll: true });
  });

  onMount(() => {
    const unlessTyping = (act: () => void) => (event: KeyboardEvent) => {
      if (isNoCommand(event)) return;
      event.preventDefault();
      act();
    };
    return tinykeys(window, {
      '$mod+KeyZ': unlessTyping(() => open.undo()),
      '$mod+Shift+KeyZ': unlessTyping(() => open.redo()),
      b: unlessTyping(() =>
        boardArea?.querySelector<SVGGElement>('[role="option"][tabindex="0"]')?.focus(),
      ),
      ...Object.fromEntries(
        STAGES.map((each, n) => [String(n + 1), unlessTyping(() => void go(each))]),
      ),
    });
  });

  /** The browser asks before a window with unsaved work is closed. */
  function onbeforeunload(event: BeforeUnloadEvent) {
    if (open.saving !== 'saved' || open.isTyping) event.preventDefault();
  }
</script>

<svelte:window {onbeforeunload} />

<svelte:head
  ><title>{texts.tenant(STAGE_WORDS[stage], job.title || texts.untitledJob)}</title></svelte:head
>

<div class="job">
  <a class="skip" href="#stage">{texts.skipTo(STAGE_WORDS[stage])}</a>
  <JobHead {open} />

  <SavingNotice {open} />

  <main
    class="bench {stage}"
    class:aside={isAside}
    style:--panel={movedPx === null ? undefined : `${movedPx}px`}
  >
    <StageRail {here} {stage} open={model.openCounts} />

    <MachineView {model} {stage} {isAside} bind:area={boardArea} />

    {#if !isAside}
      <Divider bind:px={() => panelPx, (px) => (movedPx = px)} />
    {/if}

    <section
      id="stage"
      tabindex="-1"
      class="panel"
      aria-label={STAGE_WORDS[stage]}
      bind:this={panel}
      bind:offsetWidth={panelPx}
    >
      {#key stage}
        <Fetched load={PANELS[stage]} what={texts.thisStage}>
          {#snippet waiting()}<Working words={texts.openingTheStage} />{/snippet}
          {#snippet shown(Panel)}<Panel {model} {stage} />{/snippet}
          {#snippet failed(error, reset)}
            <PartFailed {open} what={texts.thisStage} {error} {reset} />
          {/snippet}
        </Fetched>
      {/key}
    </section>
  </main>
</div>

<style>
  .skip {
    position: absolute;
    left: 0.5rem;
    top: -4rem;
    z-index: 10;
    padding: 0.5rem 0.75rem;
    background: var(--cds-ui-background);
  }
  .skip:focus {
    top: 0.25rem;
  }
  .panel:focus {
    outline: none;
  }
  .job {
    display: flex;
    flex-direction: column;
    height: 100vh;
  }
  .bench {
    flex: 1;
    min-height: 0;
    display: grid;
    grid-template-columns: 9.25rem minmax(0, 1fr) auto minmax(
        20rem,
        var(--panel, clamp(26rem, 38vw, 40rem))
      );
    grid-template-rows: minmax(0, 1fr);
  }
  .bench.aside {
    grid-template-columns: 9.25rem 16rem minmax(0, 1fr);
  }
  .panel :global(.bx--label) {
    margin-bottom: 0.25rem;
  }
  .panel :global(.bx--text-input),
  .panel :global(.bx--text-area),
  .panel :global(.bx--select-input) {
    padding-left: 0.5rem;
  }
  .panel :global(.bx--tab-content) {
    padding: 1rem 0 0;
  }
  .panel {
    position: relative;
    overflow: auto;
    padding: 1rem 1.25rem 2rem;
    background: var(--cds-ui-01);
  }
  @media (max-width: 75rem) {
    .panel {
      padding-inline: 0.75rem;
    }
    .job,
    .bench {
      display: block;
      height: auto;
    }
  }
  /* A stage is printed without what only a hand can use. */
  @media print {
    .panel :global(.bx--btn),
    .panel :global(.drop),
    .panel :global([role='tablist']),
    .panel :global(.bx--content-switcher),
    .panel :global(button.back) {
      display: none;
    }
    .job,
    .bench {
      display: block;
      height: auto;
    }
    .panel {
      padding: 0;
      background: none;
      overflow: visible;
    }
  }
</style>
