<script lang="ts">
  /** How drivers are dealt with in this job: technicians disagree, so each school can be chosen. */
  import { Select, SelectItem } from 'carbon-components-svelte';
  import { PLAIN_WAYS, type DriverWays } from '$core/document';
  import { WAY_WORDS } from '$words/driverStates';
  import type { JobModel } from '../jobModel.svelte';
  import { ways as texts } from '$words/stages/drivers';

  let { model }: { model: JobModel } = $props();

  const ways = $derived(model.job.driverWays);
  const keys = Object.keys(WAY_WORDS) as (keyof DriverWays)[];
  const departures = $derived(keys.filter((way) => ways[way] !== PLAIN_WAYS[way]));

  const choose = (way: keyof DriverWays, event: Event) =>
    model.open.run({
      name: 'setDriverWays',
      ways: { ...ways, [way]: (event.target as HTMLSelectElement).value },
    });
</script>

<details>
  <summary
    >{texts.howDriversAreDealtWith(
      departures.map((way) => WAY_WORDS[way].label.toLowerCase()).join(', ') +
        texts.otherwiseThanUsual,
      departures.length,
    )}</summary
  >
  <div class="ways">
    {#each keys as way (way)}
      <Select
        id="way-{way}"
        size="sm"
        labelText={WAY_WORDS[way].label}
        selected={ways[way]}
        on:change={(event) => choose(way, event)}
      >
        {#each Object.entries(WAY_WORDS[way].choices) as [value, text] (value)}
          <SelectItem {value} {text} />
        {/each}
      </Select>
    {/each}
  </div>
</details>

<style>
  details {
    margin-top: 1rem;
    font-size: 0.875rem;
  }
  .ways {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(16rem, 1fr));
    gap: 0.75rem;
    margin-top: 0.5rem;
  }
</style>
