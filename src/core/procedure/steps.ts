/**
 * The ordered steps of this very job, with the cautions that belong into them. Steps are data; the wording
 * stands beside the screens. The same plan always gives the same steps with the same ids, so that ticks keep.
 */
import { cardName, type Card } from '../parts/card.ts';
import type { Extra } from '../parts/extra.ts';
import { valueOf } from '../parts/fact.ts';
import { LONGEST_STEP_ID, type Job, type Stage } from '../parts/job.ts';
import type { Slot } from '../parts/machine.ts';
import { deviceId } from '../parts/pciFunction.ts';
import { extrasFor } from '../planner/candidates/extras.ts';
import { fittedCards, movedCards, plannedMachine, type Fitted } from '../proof/expect.ts';
import type { Finding, FindingCode } from '../rules/finding.ts';
import { plugsOf, assignPlugs } from '../placement/plugs.ts';
import { socketsIn } from '../placement/sockets.ts';
import { slotVerdict } from '../rules/verdict.ts';
import { HEADERS, type BoardHeader, type FrontLead } from '../standards/headers.ts';
import { bestPackage } from '../drivers/packages.ts';
import { machineAround } from '../placement/housing.ts';
import { slotLink } from '../placement/slotLink.ts';
import { unknownFacts } from '../rules/unknownFacts.ts';
import { SYSTEM_DRIVEN_CLASSES } from '../standards/pciClasses.ts';
import { frontLeadsOf } from './frontLeads.ts';
import { openingsOf, type Opening } from './openings.ts';

export type CautionCode =
  | 'mains'
  | 'static'
  | 'sharpCover'
  | 'noForce'
  | 'latch'
  | 'heavyCard'
  | 'oneLeadOnePlug'
  | 'hotCard'
  | 'othersData'
  | 'steadyPower'
  | 'pinOne'
  | 'localRules';

export type StepCode =
  | 'settle'
  | 'order'
  | 'orderExtra'
  | 'orderNamed'
  | 'updateFirmware'
  | 'fetchDriver'
  | 'findDriver'
  | 'enrolKey'
  | 'splitSlot'
  | 'bringScrew'
  | 'noteTrouble'
  | 'installFirst'
  | 'backUp'
  | 'before'
  | 'powerOff'
  | 'discharge'
  | 'openCase'
  | 'removeCover'
  | 'closeOpening'
  | 'takeOut'
  | 'moveCard'
  | 'putIn'
  | 'takeOutFirst'
  | 'putBack'
  | 'moveBox'
  | 'swapBracket'
  | 'joinLead'
  | 'joinFront'
  | 'setJumper'
  | 'seat'
  | 'screw'
  | 'support'
  | 'joinHeader'
  | 'plug'
  | 'closeCase'
  | 'moveScreenLead'
  | 'start'
  | 'checkDevice'
  | 'installDriver'
  | 'ownDriver'
  | 'installFound'
  | 'restart'
  | 'checkLink'
  | 'keepParts'
  | 'explain';

export interface Step {
  readonly id: string;
  readonly stage: Stage;
  readonly code: StepCode;
  readonly cautions: readonly CautionCode[];
  /** What the wording fills in: names, numbers, identities. */
  readonly values: Readonly<Record<string, string | number>>;
  /** The slot to light on the board. */
  readonly slotId: string | null;
}

/** Above this a card sags and wants a hand beneath it. Common practice, no source: from about two openings on. */
const HEAVY_OPENINGS = 2;

/** Room for the count behind a step's id. */
const COUNT_LETTERS = 8;

type Draft = Omit<Step, 'stage' | 'id'> & { readonly key?: string };

/** All steps of all stages, in the order of the work; none while no plan is accepted. */
export function steps(surveyed: Job): readonly Step[] {
  if (surveyed.plan === null) return [];
  const job: Job = { ...surveyed, machine: plannedMachine(surveyed) };
  const fitted = fittingOrder(fittedCards(job));
  return [
    ...inStage('prepare', prepare(job, fitted)),
    ...inStage('fit', fit(job, fitted, surveyed)),
    ...inStage('drivers', drivers(job, fitted)),
    ...inStage('prove', prove([...fitted, ...movedCards(surveyed)])),
    ...inStage('hand-over', [step('keepParts'), step('explain')]),
  ];
}

/** Steps that would be known by the same – two boxes of one name in the way – are counted. */
function inStage(stage: Stage, drafts: readonly Draft[]): readonly Step[] {
  const taken = new Set<string>();
  return drafts.map(({ key, ...draft }) => {
    const plain = key === undefined ? draft.code : `${draft.code}:${key}`;
    const wanted = plain.slice(0, LONGEST_STEP_ID - COUNT_LETTERS);
    let id = wanted;
    for (let n = 2; taken.has(id); n += 1) id = `${wanted}~${n}`;
    taken.add(id);
    return { ...draft, stage, id };
  });
}

/** Thick cards last: they cover the slots beside them. Common practice, no source. */
function fittingOrder(fitted: readonly Fitted[]): readonly Fitted[] {
  return fitted.toSorted(
    (a, b) =>
      a.placement.card.openings - b.placement.card.openings ||
      (valueOf(a.slot.opening) ?? 0) - (valueOf(b.slot.opening) ?? 0),
  );
}

const step = (
  code: StepCode,
  values: Step['values'] = {},
  more: { cautions?: readonly CautionCode[]; slotId?: string; key?: string } = {},
): Draft => ({
  code,
  values,
  cautions: more.cautions ?? [],
  slotId: more.slotId ?? null,
  ...(more.key === undefined ? {} : { key: more.key }),
});

function prepare(job: Job, fitted: readonly Fitted[]): readonly Draft[] {
  const packages = job.plan?.packages.filter((each) => !each.inbox) ?? [];
  return [
    ...unknownFacts(job.machine, job.needs)
      .filter(({ slotId }) => slotId === undefined || fitted.some(({ slot }) => slot.id === slotId))
      .map(({ code, slotId, enclosureId, subject }) =>
        step(
          'settle',
          { fact: code, subject: subject ?? '' },
          {
            key: [code, slotId ?? enclosureId ?? []].flat().join(':'),
            ...(slotId && { slotId }),
          },
        ),
      ),
    ...fitted.map(({ placement: { card }, slot }) =>
      step('order', { card: cardName(card), cents: card.priceCents }, keyed(card, slot)),
    ),
    ...extrasFor(
      fitted.map(({ placement: { card }, slot }) => ({ card, slot })),
      job.needs,
      job.machine,
      job.plan?.packages ?? [],
    ).map(({ kind, fits, count }) =>
      step(
        'orderExtra',
        { kind, fits, count },
        { key: kind === 'bracket' ? `${kind}-${fits}` : fits || kind },
      ),
    ),
    ...job.bought.map((extra) =>
      step('orderNamed', { name: extraName(extra), kind: extra.kind }, { key: extra.id }),
    ),
    ...found(job, fitted, 'firmware.old')
      .slice(0, 1)
      .map(({ finding }) =>
        step(
          'updateFirmware',
          { year: finding.available ?? 0 },
          { cautions: ['steadyPower', 'othersData'] },
        ),
      ),
    ...packages.map(({ id, title, version }) =>
      step('fetchDriver', { title, version }, { key: id }),
    ),
    ...fitted
      .filter(({ placement: { card } }) => driverOf(card, job) === null)
      .map(({ placement: { card }, slot }) =>
        step(
          'findDriver',
          { card: cardName(card), identity: deviceId(card.ids) },
          keyed(card, slot),
        ),
      ),
    ...found(job, fitted, 'system.secureBoot').map(({ card, slot }) =>
      step('enrolKey', { card: cardName(card) }, keyed(card, slot)),
    ),
    ...fitted
      .filter(({ placement: { card } }) => card.needsSplit)
      .map(({ placement: { card }, slot }) =>
        step('splitSlot', { card: cardName(card), slot: slot.label }, keyed(card, slot)),
      ),
    ...(valueOf(job.machine.case.spareScrews) === 0 &&
    fitted.some(({ placement: { card } }) => card.bus !== 'm2')
      ? [step('bringScrew', { count: fitted.length })]
      : []),
    ...(job.machine.inTrouble.length > 0
      ? [
          step('noteTrouble', {
            count: job.machine.inTrouble.length,
            names: job.machine.inTrouble
              .slice(0, 5)
              .map(({ id, name }) => name || id)
              .join('; '),
          }),
        ]
      : []),
    ...packages
      .filter(({ order }) => order === 'driver-first')
      .map(({ id, title, version }) => step('installFirst', { title, version }, { key: id })),
    ...(job.needs.some(({ kind }) => kind === 'drives')
      ? [step('backUp', {}, { cautions: ['othersData'] })]
      : []),
    step('before'),
  ];
}

function fit(job: Job, fitted: readonly Fitted[], surveyed: Job): readonly Draft[] {
  const { toOpen, toClose } = openingsOf(surveyed);
  const frontLeads = frontLeadsOf(job, fitted);
  return [
    step('powerOff', {}, { cautions: ['mains', 'localRules'] }),
    step('discharge', {}, { cautions: ['static'] }),
    step('openCase'),
    ...toOpen.map((each) => coverStep('removeCover', each, job)),
    ...boxesToMove(job, fitted),
    ...cardsToTakeOut(surveyed),
    ...moveSteps(surveyed),
    ...job.bought.map(putIn),
    ...fitted.flatMap((each) => fitOne(each, job, fitted, frontLeads.get(each.slot.id) ?? [])),
    ...toClose.map((each) => coverStep('closeOpening', each, job)),
    step('closeCase'),
    ...fitted
      .filter(({ placement: { card } }) => card.delivers.kind === 'screens')
      .map(({ placement: { card }, slot }) =>
        step('moveScreenLead', { card: cardName(card) }, keyed(card, slot)),
      ),
    step('start'),
  ];
}

/** One card: bracket and leads on the bench, what is in the way out, in it goes, plugs and leads, what was out back. */
function fitOne(
  { placement: { card }, slot }: Fitted,
  job: Job,
  fitted: readonly Fitted[],
  frontLeads: readonly FrontLead[],
): readonly Draft[] {
  const findings = slotVerdict(card, slot, job.machine, job.plan?.packages ?? []).findings;
  const subjects = (code: FindingCode) =>
    findings.flatMap((finding) => (finding.code === code ? (finding.subject ?? '') : []));
  const here = keyed(card, slot);
  const numbered = (n: number) => ({ slotId: slot.id, key: `${slot.id}:${n}` });
  const name = cardName(card);
  return [
    ...[...subjects('bracket.swap'), ...subjects('bracket.missing')].map((height) =>
      step('swapBracket', { card: name, height }, here),
    ),
    ...card.leadsBeforeSeating.map((lead, n) =>
      step('joinLead', { card: name, lead }, numbered(n)),
    ),
    ...frontLeads.map((lead) =>
      step(
        'joinFront',
        { card: name, lead },
        {
          ...here,
          key: `${slot.id}:${lead}`,
          cautions: lead === 'usb-9-pin' || lead === 'audio' ? ['pinOne'] : [],
        },
      ),
    ),
    ...findings
      .filter(({ code }) => code === 'quirk.jumper')
      .map(() => step('setJumper', { card: name }, here)),
    ...subjects('body.outFirst').map((neighbour) =>
      step(
        'takeOutFirst',
        { neighbour, card: name },
        { ...here, cautions: ['latch', 'hotCard', 'noForce'] },
      ),
    ),
    step('seat', { card: name, slot: slot.label }, { ...here, cautions: seatCautions(card) }),
    step('screw', { card: name, bus: card.bus }, here),
    ...findings
      .filter(({ code }) => code === 'body.sag')
      .map(() => step('support', { card: name }, { ...here, cautions: ['heavyCard'] })),
    ...card.sockets.map((plug, n) =>
      step(
        'plug',
        { card: name, plug, adapter: adapterFor(card, slot, n, job, fitted) },
        { ...numbered(n), cautions: ['oneLeadOnePlug'] },
      ),
    ),
    ...subjects('header.found').map((header) =>
      step(
        'joinHeader',
        { card: name, header },
        {
          ...here,
          key: `${slot.id}:${header}`,
          cautions: HEADERS[header as BoardHeader].keyed ? [] : ['pinOne'],
        },
      ),
    ),
    ...subjects('body.outFirst').map((neighbour) =>
      step('putBack', { neighbour }, { ...here, cautions: ['latch', 'noForce', 'oneLeadOnePlug'] }),
    ),
  ];
}

/** What goes between the plugs and one socket of a card when all cards of the plan are fed together; empty: nothing. */
function adapterFor(
  card: Card,
  slot: Slot,
  socket: number,
  job: Job,
  fitted: readonly Fitted[],
): string {
  const around = machineAround(slot, job.machine);
  const fed = fitted.filter((each) => each.slot.enclosureId === slot.enclosureId);
  const sockets = fed.flatMap((each) => socketsIn(each.placement.card, each.slot, around));
  const before = fed
    .slice(
      0,
      fed.findIndex((each) => each.slot.id === slot.id && each.placement.card.id === card.id),
    )
    .reduce((total, each) => total + each.placement.card.sockets.length, 0);
  const { feeds } = assignPlugs(sockets, plugsOf(valueOf(around.supply.plugs) ?? []));
  return feeds[before + socket]?.adapter ?? '';
}

interface Found {
  readonly card: Card;
  readonly slot: Slot;
  readonly finding: Finding;
}

/** Findings of one code over all cards of the plan. */
function found(job: Job, fitted: readonly Fitted[], code: FindingCode): readonly Found[] {
  return fitted.flatMap(({ placement: { card }, slot }) =>
    slotVerdict(card, slot, job.machine, job.plan?.packages ?? [])
      .findings.filter((finding) => finding.code === code)
      .map((finding) => ({ card, slot, finding })),
  );
}

function coverStep(
  code: 'removeCover' | 'closeOpening',
  { number, enclosureId, slotId }: Opening,
  { machine }: Job,
): Draft {
  const covers = valueOf(machine.case.covers) ?? '';
  return step(
    code,
    { opening: number, covers },
    {
      slotId,
      key: enclosureId === null ? `${number}` : `${enclosureId}:${number}`,
      cautions: covers === 'snapped' && code === 'removeCover' ? ['sharpCover'] : [],
    },
  );
}

/** What the survey or the plan says goes, whether or not a card takes its place. */
function cardsToTakeOut({ machine, plan }: Job): readonly Draft[] {
  return machine.slots.flatMap((slot) => {
    const occupant = valueOf(slot.occupant);
    const isGivenUp = plan?.givenUp.includes(slot.id) === true;
    return occupant !== null && (occupant.fate === 'goes' || isGivenUp)
      ? [
          step(
            'takeOut',
            { card: occupant.name, slot: slot.label },
            { slotId: slot.id, key: slot.id, cautions: ['latch', 'hotCard'] },
          ),
        ]
      : [];
  });
}

const extraName = ({ maker, model }: Extra): string => `${maker} ${model}`;

/** What was bought for the machine itself, before the cards that want it. */
const putIn = (extra: Extra): Draft =>
  step(
    'putIn',
    { name: extraName(extra), kind: extra.kind },
    { key: extra.id, cautions: extra.kind === 'supply' ? ['mains', 'localRules'] : [] },
  );

/** Cards of the machine that make room, before anything new goes in. */
function moveSteps({ machine, plan }: Job): readonly Draft[] {
  const label = (slotId: string) => machine.slots.find(({ id }) => id === slotId)?.label ?? slotId;
  return (plan?.moves ?? []).map(({ fromSlotId, toSlotId, card }) =>
    step(
      'moveCard',
      { card: cardName(card), from: label(fromSlotId), slot: label(toSlotId) },
      { slotId: toSlotId, key: fromSlotId, cautions: ['latch', 'hotCard', 'noForce'] },
    ),
  );
}

function boxesToMove(job: Job, fitted: readonly Fitted[]): readonly Draft[] {
  const inTheWay = found(job, fitted, 'body.boxMovable').map(({ slot, finding }) => ({
    name: finding.subject ?? '',
    slotId: slot.id,
  }));
  const once = inTheWay.filter(
    ({ name }, n) => inTheWay.findIndex((each) => each.name === name) === n,
  );
  return once.map(({ name, slotId }) => {
    const how = job.machine.boxes.find((box) => box.name === name)?.moving ?? '';
    return step('moveBox', { name, how }, { slotId, key: name });
  });
}

function seatCautions(card: Card): readonly CautionCode[] {
  return [
    'noForce',
    ...(card.bus === 'pcie' && card.lanes === 16 ? (['latch'] as const) : []),
    ...(card.openings >= HEAVY_OPENINGS ? (['heavyCard'] as const) : []),
  ];
}

/** The package or the kind of the system's own driver; null where neither was known when the plan was accepted. */
function driverOf(card: Card, job: Job): string | null {
  const best = bestPackage(card, job.machine, job.plan?.packages ?? []);
  return best?.title ?? SYSTEM_DRIVEN_CLASSES[card.ids.class24] ?? null;
}

function drivers(job: Job, fitted: readonly Fitted[]): readonly Draft[] {
  const library = job.plan?.packages ?? [];
  const perCard = fitted.flatMap(({ placement: { card }, slot }): readonly Draft[] => {
    const best = bestPackage(card, job.machine, library);
    const check = step(
      'checkDevice',
      {
        card: cardName(card),
        identity: deviceId(card.ids),
        family: valueOf(job.machine.system.family) ?? '',
      },
      keyed(card, slot),
    );
    if (best === null || best.inbox) {
      const driver = driverOf(card, job);
      return driver === null
        ? [check, step('installFound', { card: cardName(card) }, keyed(card, slot))]
        : [check, step('ownDriver', { card: cardName(card), driver }, keyed(card, slot))];
    }
    if (best.order === 'driver-first') return [check];
    const { title, version } = best;
    return [
      check,
      step('installDriver', { card: cardName(card), title, version }, keyed(card, slot)),
    ];
  });
  const restart = perCard.some(({ code }) => code === 'installDriver') ? [step('restart')] : [];
  return [...perCard, ...restart];
}

function prove(fitted: readonly Fitted[]): readonly Draft[] {
  return fitted.flatMap(({ placement: { card }, slot }) => {
    const link = slotLink(card, slot)?.link;
    return link == null
      ? []
      : [
          step(
            'checkLink',
            { card: cardName(card), generation: link.generation, width: link.width },
            { ...keyed(card, slot), cautions: ['hotCard'] },
          ),
        ];
  });
}

const keyed = (card: Card, slot: Slot) => ({ slotId: slot.id, key: `${card.id}:${slot.id}` });
