<script lang="ts">
  /** Measurements that were read and may be of several needs: which one is it? */
  import { Button } from 'carbon-components-svelte';
  import type { MeasuredRate } from '$core/read';
  import type { Need } from '$core/kinds';
  import { inBytes, inMegabytes } from '$words/figures';
  import { needWords } from '$words/needs';
  import { KIND_WORDS } from '$words/kinds/words';
  import type { JobModel } from '../jobModel.svelte';
  import type { Reading } from '../reading.svelte';
  import { openResults as texts } from '$words/stages/prove';

  let { model, reading }: { model: JobModel; reading: Reading } = $props();

  const needOf = (needId: string): Need | undefined =>
    model.job.needs.find(({ id }) => id === needId);
  const resultWords = ({ words, bytesPerSecond, bytes, direction }: MeasuredRate): string =>
    [words, inMegabytes(bytesPerSecond), bytes === null ? '' : inBytes(bytes), direction ?? '']
      .filter((each) => each !== '')
      .join(', ');
</script>

{#if reading.open.length > 0}
  <section aria-label={texts.whichNeedWasMeasured}>
    <h3>{texts.whichNeedWasMeasured}</h3>
    <ul>
      {#each reading.open as { result, needIds }, n (n)}
        <li>
          <span>{resultWords(result)}</span>
          {#each needIds as needId (needId)}
            {@const need = needOf(needId)}
            {#if need}
              <Button size="small" kind="tertiary" on:click={() => reading.takeAs(result, needId)}
                >{KIND_WORDS[need.kind]}: {needWords(need)}</Button
              >
            {/if}
          {:else}
            <span class="quiet">{texts.noNeedOfThisPlan}</span>
          {/each}
        </li>
      {/each}
    </ul>
  </section>
{/if}

<style>
  section {
    margin-top: 0.75rem;
  }
  h3 {
    font-size: 0.875rem;
    font-weight: 600;
  }
  li {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem;
    align-items: center;
    padding: 0.375rem 0;
    font-size: 0.8125rem;
  }
</style>
