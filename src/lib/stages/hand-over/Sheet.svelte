<script lang="ts">
  import Board from '$lib/board/Board.svelte';
  import Total from '$lib/ui/Total.svelte';
  import { cardName, type Job } from '$core/document';
  import { housings } from '$core/placement';
  import { stageAnswer } from '$core/diagnosis';
  import type { DriverChoice } from '$core/drivers';
  import type { HandOverSheet } from '$core/write';
  import VerdictMark from '$lib/ui/VerdictMark.svelte';
  import { capital } from '$words/stepWords';
  import { leftLooseWords } from '$words/leads';
  import { answerWords } from '$words/answers';
  import { findingWords } from '$words/findings';
  import { atMoment, figure, inMoney, linkWords } from '$words/figures';
  import { extraWords } from '$words/plans';
  import { EXTRA_KIND_WORDS, SYSTEM_FAMILY_WORDS } from '$words/things';
  import { cautionWords } from '$words/steps';
  import type { JobModel } from '../jobModel.svelte';
  import SheetFigures from './SheetFigures.svelte';
  import { sheet as texts } from '$words/stages/handOver';

  let { job, sheet, model }: { job: Job; sheet: HandOverSheet; model: JobModel } = $props();

  /** Width of what is printed on an A4 page, at 96 pixels an inch: 210 mm and two margins of 14. */
  const PAPER_PX = 688;

  /** What was planned is not what runs: that only a report shows. */
  const driverWords = (
    { package: chosen, ownDriver }: DriverChoice,
    seen: string | null,
  ): string =>
    seen !== null
      ? texts.runsOn(seen)
      : chosen !== null
        ? texts.plannedNoneWasSeen(chosen.title, chosen.version)
        : ownDriver === null
          ? texts.noneWasSeen
          : texts.plannedTheSystemsOwnNone(ownDriver);

  /** The same words as in Prove and in the list of jobs. */
  const proven = $derived(answerWords(stageAnswer(job, 'prove')));

  /** What the next technician starts from, as far as it is known. */
  const found = $derived.by(() => {
    const {
      systemName,
      family,
      version,
      build,
      firmware,
      firmwareDate,
      screens,
      inTrouble,
      damage,
      secondSystem,
    } = sheet.machine;
    const system =
      systemName ??
      (family === null
        ? null
        : `${family === 'linux' ? texts.linuxKernel : SYSTEM_FAMILY_WORDS[family]} ${version ?? ''}`.trim());
    return [
      system === null ? '' : texts.system(system, build === null ? '' : ` (${build})`),
      firmware === null ? '' : texts.firmware(firmware, firmwareDate),
      screens.length === 0 ? '' : texts.screens(screens.join(', ')),
      secondSystem === null ? '' : texts.secondSystem(SYSTEM_FAMILY_WORDS[secondSystem]),
      inTrouble.length === 0 ? '' : texts.notWorking(inTrouble.join(', ')),
      damage.length === 0 ? '' : texts.damaged(damage.join(', ')),
    ].filter((part) => part !== '');
  });
</script>

<article>
  <header>
    <h2>{job.title || texts.untitledJob}</h2>
    <p>
      {texts.by({
        customer: job.customer,
        name: job.machine.name || texts.machine,
        technician: job.technician || '–',
        changedAt: atMoment(job.changedAt),
      })}
    </p>
  </header>

  <p class="state"><strong>{proven.words}</strong></p>
  {#if found.length > 0}
    <p class="state">{texts.asItWasFound(found.join('; '))}</p>
  {/if}

  <h3>{texts.whatWasFitted}</h3>
  <table class="plain">
    <thead>
      <tr>
        <th scope="col">{texts.card}</th><th scope="col">{texts.where}</th><th scope="col"
          >{texts.link}</th
        >
        <th scope="col">{texts.driver}</th><th scope="col" class="number">{texts.price}</th>
      </tr>
    </thead>
    <tbody>
      {#each sheet.cards as card, n (n)}
        <tr>
          <td>
            <strong>{card.name}</strong><br /><span class="quiet"
              >{texts.serialNumber(card.serial ?? '………………')}</span
            >
          </td>
          <td>{card.slotLabel}{card.opening === null ? '' : texts.opening(card.opening)}</td>
          <td>{card.link === null ? '–' : linkWords(card.link)}</td>
          <td>
            {driverWords(card.driver, card.driver.running)}
          </td>
          <td class="number">{inMoney(card.priceCents)}</td>
        </tr>
      {/each}
      {#if sheet.cards.length + sheet.extras.length === 0}
        <tr><td colspan="5">{texts.nothingTheMachineMeetsWhat}</td></tr>
      {/if}
      {#each sheet.extras as { name, extra, count, cents }, n (n)}
        <tr>
          <td colspan="4"
            >{count > 1 ? `${count} × ` : ''}{name ||
              (extra === null ? '' : extraWords(extra))}{name !== '' && extra !== null
              ? ` (${EXTRA_KIND_WORDS[extra.kind]})`
              : ''}</td
          >
          <td class="number">{cents === null ? texts.noPrice : inMoney(count * cents)}</td>
        </tr>
      {/each}
    </tbody>
    <tfoot>
      <tr
        ><th scope="row" colspan="2">{texts.together}</th><td class="number" colspan="3"
          ><strong
            >{sheet.unpriced > 0 ? texts.atLeast : ''}<Total cents={sheet.totalCents} /></strong
          ></td
        ></tr
      >
    </tfoot>
  </table>

  <h3>{texts.whereItSitsAndWhat}</h3>
  <div class="drawing">
    {#each housings(model.assembly.machine) as { id, name, machine } (id)}
      {#if id !== null}<p class="quiet">{name}</p>{/if}
      <Board
        {machine}
        planned={model.fitted.filter(({ slot }) => slot.enclosureId === id)}
        needs={job.needs}
        selectedSlotId={null}
        availablePx={PAPER_PX}
      />
    {/each}
  </div>

  {#if sheet.drives.length > 0}
    <h3>{texts.drives}</h3>
    <ul>
      {#each sheet.drives as { name, gigabytes, serial, wornShare }, n (n)}
        <li>
          <span>
            <strong>{name || texts.drive}</strong>, {figure(gigabytes, 'GB')}{serial === ''
              ? ''
              : texts.serialNumber2(serial)}{wornShare === null
              ? ''
              : texts.ofWhatItIsRated(Math.round(wornShare * 100))}
          </span>
        </li>
      {/each}
    </ul>
  {/if}

  {#if sheet.later.length > 0}
    <h3>{texts.keptFreeForLater}</h3>
    <ul>
      {#each sheet.later as { name, slotLabel, priceCents }, n (n)}
        <li>
          <span><strong>{slotLabel}</strong>{texts.forToday(name, inMoney(priceCents))}</span>
        </li>
      {/each}
    </ul>
  {/if}

  {#if sheet.drivers.length > 0}
    <h3>{texts.driversOfTheMachine}</h3>
    <ul>
      {#each sheet.drivers as { name, choice, seen }, n (n)}
        <li><span><strong>{name}</strong>: {driverWords(choice, seen)}</span></li>
      {/each}
    </ul>
  {/if}

  {#if sheet.cards.some(({ findings }) => findings.length > 0)}
    <h3>{texts.goodToKnow}</h3>
    <ul>
      {#each sheet.cards as card, n (n)}
        {#each card.findings as finding, m (m)}
          <li>
            <VerdictMark verdict={finding.verdict} withWord={false} />
            <span>{card.name}: {findingWords(finding)}</span>
          </li>
        {/each}
      {/each}
    </ul>
  {/if}

  <SheetFigures figures={sheet.figures} />

  {#if sheet.coversKept.length + sheet.bracketsKept.length + sheet.cardsKept.length + sheet.leftInBoxes.length > 0}
    <h3>{texts.partsKeptForYou}</h3>
    <ul class="parts">
      {#each sheet.cardsKept as name, n (n)}<li>{texts.whichCameOut(name)}</li>{/each}
      {#if sheet.coversKept.length > 0}<li>
          {texts.slotCoverSOfOpening(sheet.coversKept.length, sheet.coversKept.join(', '))}
        </li>{/if}
      {#each sheet.bracketsKept as name, n (n)}<li>
          {texts.spareBracketOfWithIts(name)}
        </li>{/each}
      {#each sheet.leftInBoxes as item, n (n)}<li>
          {texts.fromTheBoxOf(extraWords(item), cardName(item.card))}
        </li>{/each}
    </ul>
  {/if}

  {#if sheet.leftLoose.length > 0}
    <h3>{texts.leftLooseInside}</h3>
    <ul class="parts">
      {#each sheet.leftLoose as each, n (n)}<li>{capital(leftLooseWords(each))}</li>{/each}
    </ul>
  {/if}
  {#if sheet.cautions.length > 0}
    <h3>{texts.pleaseMind}</h3>
    <ul class="parts">
      {#each sheet.cautions as caution, n (n)}<li>{cautionWords(caution)}</li>{/each}
    </ul>
  {/if}
  {#if job.notes !== ''}
    <h3>{texts.notes}</h3>
    <p class="notes">{job.notes}</p>
  {/if}
  <dl class="sign">
    {#each [texts.handedOverBy, texts.receivedBy] as who (who)}
      <div>
        <dt>{who}</dt>
        <dd>{texts.dateName}</dd>
      </div>
    {/each}
  </dl>
</article>

<style>
  article {
    background: var(--cds-ui-01);
    padding: 1.5rem;
    font-size: 0.875rem;
  }
  header {
    border-bottom: 2px solid currentcolor;
    padding-bottom: 0.5rem;
  }
  header h2 {
    font-size: 1.25rem;
  }
  h3 {
    margin: 1.1rem 0 0.25rem;
    break-after: avoid;
  }
  li {
    display: flex;
    gap: 0.5rem;
    padding: 0.15rem 0;
  }
  .parts li {
    display: list-item;
    list-style: disc;
    margin-left: 1.1rem;
  }
  .notes {
    white-space: pre-wrap;
  }
  .drawing {
    margin-top: 0.5rem;
    break-inside: avoid;
  }
  .sign {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 2rem;
    margin-top: 2rem;
    break-inside: avoid;
  }
  .sign dt {
    height: 3.5rem;
    border-bottom: 1px solid currentcolor;
  }
  .sign dd {
    font-size: 0.75rem;
    color: var(--cds-text-02);
  }
  @media print {
    article {
      padding: 0;
      color: #000;
    }
    table,
    li {
      break-inside: avoid;
    }
  }
</style>
