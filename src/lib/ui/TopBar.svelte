<script lang="ts">
  import { Button } from 'carbon-components-svelte';
  import Asleep from 'carbon-icons-svelte/lib/Asleep.svelte';
  import Keyboard from 'carbon-icons-svelte/lib/Keyboard.svelte';
  import Light from 'carbon-icons-svelte/lib/Light.svelte';
  import { theme } from '$lib/state/theme.svelte';
  import { isNoCommand } from './keys';
  import type { Snippet } from 'svelte';
  import Fetched from './Fetched.svelte';
  import { topBar as texts } from '$words/ui';

  let { middle, tools }: { middle?: Snippet; tools?: Snippet } = $props();

  let keysOpen = $state(false);
</script>

<svelte:window
  onkeydown={(event) => {
    if (event.key === '?' && !isNoCommand(event)) keysOpen = true;
  }}
/>

<header>
  <a href="/" class="mark">
    <svg viewBox="0 0 32 32" width="24" height="24" aria-hidden="true">
      <path d="M6 4v24M6 11h21M6 21h14" class="frame" />
      <rect x="10" y="8" width="15" height="6" class="card" />
    </svg>
    <span class="name">{texts.tenant}</span>
  </a>
  <div class="middle">{@render middle?.()}</div>
  <div class="tools">
    {@render tools?.()}
    <Button
      kind="ghost"
      size="small"
      icon={Keyboard}
      iconDescription={texts.keys}
      tooltipAlignment="end"
      on:click={() => (keysOpen = true)}
    />
    <Button
      kind="ghost"
      size="small"
      icon={theme.current === 'g10' ? Asleep : Light}
      iconDescription={theme.current === 'g10' ? texts.dark : texts.light}
      tooltipAlignment="end"
      on:click={() => theme.toggle()}
    />
  </div>
</header>
{#if keysOpen}
  <Fetched load={() => import('./KeysHelp.svelte')}>
    {#snippet shown(KeysHelp)}<KeysHelp bind:open={keysOpen} />{/snippet}
  </Fetched>
{/if}

<style>
  header {
    display: flex;
    align-items: center;
    gap: 1rem;
    flex: none;
    height: 3rem;
    padding: 0 0.5rem 0 1rem;
    background: var(--tenant-ink);
    /* Carbon colours the icons of its buttons with this token. */
    --cds-icon-01: var(--tenant-on-ink);
    color: var(--tenant-on-ink);
  }
  .mark {
    display: flex;
    align-items: center;
    gap: 0.5rem;
    font-size: 1.0625rem;
    font-weight: 600;
    color: inherit;
    text-decoration: none;
  }
  .mark:focus-visible {
    outline: 2px solid var(--tenant-on-ink);
    outline-offset: 2px;
  }
  .frame {
    stroke: currentcolor;
    stroke-width: 3;
    fill: none;
  }
  .card {
    fill: #d98a4f;
  }
  .middle {
    flex: 1;
    min-width: 0;
  }
  .tools {
    display: flex;
    align-items: center;
  }
  header :global(.bx--btn--ghost) {
    color: var(--tenant-on-ink);
  }
  header :global(.bx--btn--ghost:hover) {
    background: #ffffff22;
    color: var(--tenant-on-ink);
  }
  header :global(.bx--btn--ghost:focus) {
    border-color: var(--tenant-on-ink);
    box-shadow: inset 0 0 0 1px var(--tenant-on-ink);
  }
  header :global(.bx--btn--disabled) {
    opacity: 0.45;
  }
  @media (max-width: 40rem) {
    header {
      gap: 0.25rem;
      padding: 0 0.25rem 0 0.5rem;
    }
    .name {
      position: absolute;
      width: 1px;
      height: 1px;
      overflow: hidden;
      clip-path: inset(50%);
    }
  }
  @media print {
    header {
      display: none;
    }
  }
</style>
