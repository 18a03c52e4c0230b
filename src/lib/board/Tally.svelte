<script lang="ts">
  import { HEADROOM_SHARE } from '$core/standards';
  import { housings, withDriveLoad } from '$core/placement';
  import { isUnpriced, valueOf } from '$core/parts';
  import type { Card, Job, Machine } from '$core/document';
  import { inMoney } from '$words/figures';
  import type { CardOnSlot } from './layout';
  import { lanesUsed } from './lanes';
  import { tally as texts } from '$words/board';

  let {
    job,
    machine,
    cards,
    planned,
    extraCents,
    unknown,
  }: {
    job: Job;
    /** With its own cards where they are drawn. */
    machine: Machine;
    cards: readonly Card[];
    planned: readonly CardOnSlot[];
    /** Of what is bought beside the cards. */
    extraCents: number;
    unknown: number;
  } = $props();

  /** The load on each supply: the machine's own and those of external boxes. The fullest is shown. */
  const supplies = $derived(
    housings(withDriveLoad(job.machine, job.needs)).map(({ id, name, machine: { supply } }) => {
      const base = valueOf(supply.baseWatts);
      const added = planned
        .filter(({ slot }) => slot.enclosureId === id)
        .reduce((total, { card }) => total + card.peakWatts, 0);
      return {
        name,
        limit: valueOf(supply.twelveVoltWatts),
        load: base === null ? null : base + added,
      };
    }),
  );
  const fullest = $derived(
    supplies.toSorted((a, b) => share(b.load, b.limit) - share(a.load, a.limit))[0],
  );
  const limit = $derived(fullest?.limit ?? null);
  const load = $derived(fullest?.load ?? null);
  const cents = $derived(
    planned.reduce(
      (total, { card, isLater }) => total + (isLater === true ? 0 : card.priceCents),
      extraCents,
    ),
  );
  const lanes = $derived(lanesUsed(machine, planned, cards));
  const over = (part: number | null, whole: number | null) =>
    part !== null && whole !== null && part > whole;
  const share = (part: number | null, whole: number | null) =>
    part === null || whole === null || whole === 0 ? 0 : Math.min(100, (100 * part) / whole);
</script>

<dl aria-label={texts.tally}>
  <div>
    <dt>{supplies.length > 1 ? texts.n12V(fullest?.name ?? '') : texts.n12VLoad}</dt>
    <dd>
      {texts.ofWOver(load === null ? '?' : load, limit === null ? '?' : limit, over(load, limit))}
    </dd>
    <svg viewBox="0 0 100 6" preserveAspectRatio="none" aria-hidden="true">
      <rect class="whole" width="100" height="6" />
      <rect class="part" class:over={over(load, limit)} width={share(load, limit)} height="6" />
      <path class="headroom" d="M{100 * HEADROOM_SHARE} 0v6" />
    </svg>
  </div>
  <div>
    <dt>{texts.lanesInUse}</dt>
    <dd>{texts.ofKnown(lanes.used, lanes.wired)}</dd>
    <svg viewBox="0 0 100 6" preserveAspectRatio="none" aria-hidden="true">
      <rect class="whole" width="100" height="6" />
      <rect class="part" width={share(lanes.used, lanes.wired)} height="6" />
    </svg>
  </div>
  <div>
    <dt>{texts.price}</dt>
    <dd>
      {job.bought.some(isUnpriced) ? texts.atLeast : ''}{inMoney(cents)}{job.budgetCents === null
        ? ''
        : texts.of(inMoney(job.budgetCents))}{over(cents, job.budgetCents) ? texts.over : ''}
    </dd>
    <svg viewBox="0 0 100 6" preserveAspectRatio="none" aria-hidden="true">
      <rect class="whole" width="100" height="6" />
      <rect
        class="part"
        class:over={over(cents, job.budgetCents)}
        width={share(cents, job.budgetCents)}
        height="6"
      />
    </svg>
  </div>
  <div>
    <dt>{texts.factsUnknown}</dt>
    <dd>{unknown === 0 ? texts.none : unknown}</dd>
  </div>
</dl>

<style>
  dl {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(6.25rem, 1fr));
    gap: 0.5rem 1rem;
    border-top: 1px solid var(--cds-ui-03);
    padding-top: 0.5rem;
    font-size: 0.8125rem;
  }
  dt {
    color: var(--cds-text-02);
    white-space: nowrap;
    overflow: hidden;
    text-overflow: ellipsis;
    line-height: 1.35;
  }
  dd {
    font-weight: 600;
    font-variant-numeric: tabular-nums;
  }
  svg {
    display: block;
    width: 100%;
    height: 6px;
    margin-top: 0.25rem;
  }
  .whole {
    fill: var(--cds-ui-03);
  }
  .part {
    fill: var(--tenant-plan);
  }
  .part.over {
    fill: var(--tenant-blocked);
  }
  .headroom {
    stroke: var(--cds-text-01);
    stroke-width: 1;
  }
</style>
