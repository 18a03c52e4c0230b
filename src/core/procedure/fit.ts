/** What is done inside the machine, from pulling the mains lead to the first start. */
import { newCardsOf, type AssembledCard, type Assembly } from '../assembly/assembly.ts';
import type { Opening } from '../assembly/openings.ts';
import type { Card } from '../parts/card.ts';
import { extraName, type Extra } from '../parts/extra.ts';
import { valueOf } from '../parts/fact.ts';
import type { Job } from '../parts/job.ts';
import { socketWanted, unitsNeeded } from '../parts/need.ts';
import type { Machine, Slot } from '../parts/machine.ts';
import { machineAround } from '../placement/housing.ts';
import { plugsOf } from '../placement/plugs.ts';
import { usableBytesPerSecond } from '../rules/link.ts';
import type { FindingCode } from '../rules/findingCodes.ts';
import { HEADERS } from '../standards/headers.ts';
import { cardAt, keyed, plainStep, step, type CautionCode, type Draft } from './step.ts';

/** Above this a card sags and wants a hand beneath it. Common practice, no source: from about two openings on. */
const HEAVY_OPENINGS = 2;

export function fit(job: Job, assembly: Assembly): readonly Draft[] {
  const order = newCardsOf(assembly);
  const isOpened =
    [...assembly.cards, ...assembly.removed, ...assembly.toClose, ...job.bought].length > 0;
  if (!isOpened) return [];
  return [
    plainStep('powerOff', { cautions: ['mains', 'localRules'] }),
    plainStep('discharge', { cautions: ['static'] }),
    plainStep('openCase'),
    ...assembly.toOpen.map((each) => coverStep('removeCover', each, assembly)),
    ...obstaclesToMove(order, assembly),
    ...assembly.removed.map((slot) => takeOut(slot, job.machine)),
    ...moveSteps(assembly, job.machine),
    ...job.bought.map(putIn),
    ...order.flatMap((each) => fitOne(each, assembly)),
    ...assembly.toClose.map((each) => coverStep('closeOpening', each, assembly)),
    plainStep('closeCase'),
    ...order
      .filter(({ card }) => card.delivers.kind === 'screens')
      .map((each) =>
        step(
          'moveScreenLead',
          {
            ...cardAt(each),
            adapters: [...new Set(each.flows.flatMap(({ adapters }) => adapters))],
          },
          keyed(each),
        ),
      ),
    ...joinEnclosures(assembly),
    plainStep('start'),
  ];
}

/** External boxes in the order of their chain: what moves most data nearest to the machine. */
function joinEnclosures({ cards, machine }: Assembly): readonly Draft[] {
  const used = machine.enclosures
    .filter(({ id }) => cards.some(({ slot }) => slot.enclosureId === id))
    .map(({ id, name }) => ({
      name,
      rate: cards
        .filter(({ slot }) => slot.enclosureId === id)
        .reduce((sum, { card }) => sum + usableBytesPerSecond(card), 0),
    }))
    .toSorted((a, b) => b.rate - a.rate);
  return used.length === 0
    ? []
    : [step('joinEnclosures', { names: used.map(({ name }) => name) }, { cautions: ['mains'] })];
}

/** One card: what is done on the bench, what is in the way out, in it goes, plugs and leads, what was out back. */
function fitOne(each: AssembledCard, { machine, plates }: Assembly): readonly Draft[] {
  const at = cardAt(each);
  const here = keyed(each);
  const has = (code: FindingCode) => each.findings.some((finding) => finding.code === code);
  const inTheWay = neighbours(each, machine);
  return [
    ...onTheBench(each),
    ...inTheWay.map((neighbour) =>
      step(
        'takeOutFirst',
        { ...at, neighbour },
        { ...here, cautions: ['latch', 'hotCard', 'noForce'] },
      ),
    ),
    ...(has('seat.dirty')
      ? [step('clearSlot', { ...at, state: 'dirty' }, { ...here, cautions: ['static'] })]
      : []),
    ...(has('seat.capped') ? [step('clearSlot', { ...at, state: 'capped' }, here)] : []),
    step('seat', at, { ...here, cautions: seatCautions(each.card) }),
    step('screw', { ...at, isModule: each.card.bus === 'm2' }, here),
    ...plates
      .filter(({ slotId }) => slotId === each.slot.id)
      .map(({ number }) =>
        step('fitPlate', { ...at, opening: number }, { ...here, key: `${each.slot.id}:${number}` }),
      ),
    ...(has('body.sag') ? [step('support', at, { ...here, cautions: ['heavyCard'] })] : []),
    ...plugsAndLeads(each, machine),
    ...joinDrives(each, false),
    ...inTheWay.map((neighbour) =>
      step('putBack', { neighbour }, { ...here, cautions: ['latch', 'noForce', 'oneLeadOnePlug'] }),
    ),
  ];
}

/** What cannot be reached once the card is seated. */
function onTheBench(each: AssembledCard): readonly Draft[] {
  const at = cardAt(each);
  const here = keyed(each);
  return [
    ...each.findings.flatMap((finding) =>
      finding.code === 'bracket.swap' || finding.code === 'bracket.missing'
        ? [step('swapBracket', { ...at, height: finding.subject }, here)]
        : [],
    ),
    ...joinDrives(each, true),
    ...each.card.leadsBeforeSeating.map((lead, n) =>
      step('joinLead', { ...at, lead }, numbered(each, n)),
    ),
    ...each.frontLeads.map((lead) =>
      step(
        'joinFront',
        { ...at, lead },
        {
          ...here,
          key: `${each.slot.id}:${lead}`,
          cautions: lead === 'usb-9-pin' || lead === 'audio' ? ['pinOne'] : [],
        },
      ),
    ),
    ...each.findings
      .filter(({ code }) => code === 'quirk.jumper')
      .map(() => step('setJumper', at, here)),
  ];
}

const plugsAndLeads = (each: AssembledCard, machine: Machine): readonly Draft[] => [
  ...exchanges(each, machine),
  ...each.card.sockets.map((plug, n) =>
    step(
      'plug',
      {
        ...cardAt(each),
        plug,
        adapter: each.feeds[n]?.adapter ?? null,
        isLengthened: each.findings.some(
          (finding) => finding.code === 'power.leadShort' && finding.subject === plug,
        ),
      },
      { ...numbered(each, n), cautions: ['oneLeadOnePlug'] },
    ),
  ),
  ...each.headers.map((header) =>
    step(
      'joinHeader',
      { ...cardAt(each), header },
      {
        ...keyed(each),
        key: `${each.slot.id}:${header}`,
        cautions: HEADERS[header].keyed ? [] : ['pinOne'],
      },
    ),
  ),
];

/** Drives that hang on the card: modules on the bench, those on cables once it is in. */
const joinDrives = (each: AssembledCard, onBench: boolean): readonly Draft[] =>
  each.flows.flatMap(({ need, units, socket, forDrives }) => {
    if (need.kind !== 'drives' || socket === null) return [];
    const toBoard = socketWanted(need) === 'm2Sata';
    if ((socket === 'm2' || toBoard) !== onBench) return [];
    return step(
      'joinDrives',
      {
        ...cardAt(each),
        count: Math.min(units, unitsNeeded(need)),
        socket,
        toBoard,
        plugAdapters: [...new Set(forDrives.plugAdapters)],
        frames: [...new Set(forDrives.frames)],
      },
      { ...keyed(each), key: `${each.slot.id}:${need.id}`, cautions: ['othersData'] },
    );
  });

/** Things that give the card their plug and get a free one, before the card's own plug goes in. */
function exchanges(each: AssembledCard, machine: Machine): readonly Draft[] {
  const plugs = plugsOf(machineAround(each.slot, machine).supply);
  return each.feeds.flatMap(({ plugs: [taken], exchangedFor }, n) => {
    const giving = taken === undefined ? undefined : plugs[taken];
    const given = exchangedFor === null ? undefined : plugs[exchangedFor];
    if (giving?.inUse == null || given === undefined) return [];
    const values = { feeds: giving.inUse.feeds, gets: given.type, gives: giving.type };
    return step('exchangePlugs', { ...cardAt(each), ...values }, numbered(each, n));
  });
}

const numbered = ({ slot }: AssembledCard, n: number) => ({
  slotId: slot.id,
  key: `${slot.id}:${n}`,
});

/** Cards of the machine that a hand needs out of its way; new ones are not in yet, or wait their turn. */
function neighbours(each: AssembledCard, machine: Machine): readonly string[] {
  const there = new Set(machine.slots.map(({ occupant }) => valueOf(occupant)?.name));
  return each.findings.flatMap((finding) =>
    finding.code === 'body.outFirst' && there.has(finding.subject) ? [finding.subject] : [],
  );
}

function coverStep(
  code: 'removeCover' | 'closeOpening',
  { number, enclosureId, slotId }: Opening,
  { machine }: Assembly,
): Draft {
  const slot = machine.slots.find(({ id }) => id === slotId);
  const room = slot === undefined ? machine : machineAround(slot, machine);
  const covers = valueOf(room.case.covers) ?? '';
  return step(
    code,
    { opening: number, covers, enclosure: enclosureName(enclosureId, machine) },
    {
      slotId,
      key: enclosureId === null ? `${number}` : `${enclosureId}:${number}`,
      cautions: covers === 'snapped' && code === 'removeCover' ? ['sharpCover'] : [],
    },
  );
}

const enclosureName = (enclosureId: string | null, { enclosures }: Machine): string =>
  enclosures.find(({ id }) => id === enclosureId)?.name ?? '';

/** What the survey or the plan says goes, whether or not a card takes its place. */
const takeOut = ({ id, label, enclosureId, occupant }: Slot, machine: Machine): Draft =>
  step(
    'takeOut',
    {
      card: valueOf(occupant)?.name ?? '',
      slot: label,
      enclosure: enclosureName(enclosureId, machine),
    },
    { slotId: id, key: id, cautions: ['latch', 'hotCard'] },
  );

/** What was bought for the machine itself, before the cards that want it. */
const putIn = (extra: Extra): Draft =>
  step(
    'putIn',
    { name: extraName(extra), kind: extra.kind },
    { key: extra.id, cautions: extra.kind === 'supply' ? ['mains', 'localRules'] : [] },
  );

/** Cards of the machine that make room, before anything new goes in. */
const moveSteps = ({ cards }: Assembly, machine: Machine): readonly Draft[] =>
  cards.flatMap((each) => {
    const { fromSlotId, slot } = each;
    if (fromSlotId === null) return [];
    const from = machine.slots.find(({ id }) => id === fromSlotId)?.label ?? fromSlotId;
    return [
      step(
        'moveCard',
        { ...cardAt(each), from },
        { slotId: slot.id, key: fromSlotId, cautions: ['latch', 'hotCard', 'noForce'] },
      ),
    ];
  });

function obstaclesToMove(
  fitted: readonly AssembledCard[],
  { machine }: Assembly,
): readonly Draft[] {
  const inTheWay = fitted.flatMap(({ findings, slot }) =>
    findings.flatMap((finding) =>
      finding.code === 'body.obstacleMovable' ? [{ name: finding.subject, slotId: slot.id }] : [],
    ),
  );
  const once = inTheWay.filter(
    ({ name }, n) => inTheWay.findIndex((other) => other.name === name) === n,
  );
  return once.map(({ name, slotId }) => {
    const how = machine.obstacles.find((obstacle) => obstacle.name === name)?.moving ?? '';
    return step('moveObstacle', { name, how }, { slotId, key: name });
  });
}

const seatCautions = (card: Card): readonly CautionCode[] => [
  'noForce',
  ...(card.bus === 'pcie' && card.lanes === 16 ? (['latch'] as const) : []),
  ...(card.openings >= HEAVY_OPENINGS ? (['heavyCard'] as const) : []),
];
