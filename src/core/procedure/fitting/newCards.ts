/** A new card: what is done to it on the bench, then how it goes in, is held, fed and joined. */
import { cardKindOf } from '../../kinds/delivery.ts';
import type { AssembledCard, Assembly } from '../../assembly/assembly.ts';
import type { Card } from '../../document/card.ts';
import { valueOf } from '../../parts/fact.ts';
import type { Slot } from '../../document/machine.ts';
import { machineAround } from '../../placement/housing.ts';
import type { FindingCode } from '../../rules/findingCodes.ts';
import { HEADERS, type BoardHeader } from '../../standards/headers.ts';
import { cardAt, type CautionCode, keyed, step } from '../step.ts';
import { type Act, act, latchOf, move, openingId, screwOf, thing } from './act.ts';
import { barredBy, bodiesIn } from './reach.ts';
import {
  from_,
  groundOf,
  heldIn,
  holdIn,
  screwsOf,
  socketPlaces,
  clearing,
  latchCaution,
} from './slots.ts';
import { drivesAllotted } from './drivesOnCards.ts';

/** Above this a card sags and wants a hand beneath it. Common practice, no source: from about two openings on. */
const HEAVY_OPENINGS = 2;

/** One card: what is done to it on the bench, then how it goes in, is held, fed and joined. */
export function cardActs(
  each: AssembledCard,
  cards: readonly AssembledCard[],
  assembly: Assembly,
): readonly Act[] {
  const { machine, plates } = assembly;
  const { card, slot } = each;
  const at = cardAt(each);
  const here = keyed(each);
  const own = { housing: slot.enclosureId, forSlots: [slot.id] };
  const has = (code: FindingCode) => each.findings.some((finding) => finding.code === code);
  const opening = valueOf(slot.opening);
  const openings = card.bus === 'm2' || opening === null ? [] : from_(opening, card.openings);
  const socket = socketPlaces(each);
  const hold = heldIn(slot, machine);
  const room = machineAround(slot, machine).case;
  return [
    ...onTheBench(each, cards, assembly),
    ...clearing(each),
    act(
      step(
        'seat',
        {
          ...at,
          latch: latchOf(slot),
          hasGuide: valueOf(room.guides) === true,
          hasBracket: card.bus !== 'm2',
        },
        { ...here, cautions: seatCautions(card, slot) },
      ),
      {
        ...own,
        openings,
        ground: groundOf(card, slot, machine),
        point: socket?.socket ?? null,
        moves: [move(thing('card', `new/${slot.id}`, at.card), 'inPlace')],
      },
    ),
    ...(hold.hold === 'bar'
      ? []
      : [
          act(step('screw', { ...at, ...hold, isModule: card.bus === 'm2' }, here), {
            ...own,
            tool: hold.hold === 'clipped' ? null : 'screwdriver',
            openings,
            point: socket?.screw ?? null,
            moves:
              card.bus === 'm2'
                ? [move(thing('screw', slot.id, slot.label), 'inPlace')]
                : screwsOf(slot, openings, machine, 'inPlace'),
          }),
        ]),
    ...plates
      .filter(({ slotId }) => slotId === slot.id)
      .map(({ number }) =>
        act(
          step(
            'fitPlate',
            { ...at, opening: number },
            { ...here, on: { slot: slot.id, opening: number } },
          ),
          {
            ...own,
            openings: [number],
            moves: [
              move(thing('plate', openingId(slot.enclosureId, number), at.card), 'inPlace'),
              ...(holdIn(slot.enclosureId, machine) === 'screwed'
                ? [move(screwOf(slot.enclosureId, number), 'inPlace')]
                : []),
            ],
          },
        ),
      ),
    ...(has('body.sag')
      ? [act(step('support', at, { ...here, cautions: ['heavyCard'] }), own)]
      : []),
    ...plugsAndHeaders(each, cards, assembly),
  ];
}

const seatCautions = (card: Card, slot: Slot): readonly CautionCode[] => [
  'noForce',
  ...latchCaution(slot),
  ...(card.openings >= HEAVY_OPENINGS ? (['heavyCard'] as const) : []),
];

/** What cannot be reached once the card is in. */
export function onTheBench(
  each: AssembledCard,
  cards: readonly AssembledCard[],
  assembly: Assembly,
): readonly Act[] {
  const { card, slot } = each;
  const at = cardAt(each);
  const here = keyed(each);
  const own = { housing: slot.enclosureId, forSlots: [slot.id] };
  return [
    ...each.findings.flatMap((finding) =>
      finding.code === 'bracket.swap' || finding.code === 'bracket.missing'
        ? [
            act(step('swapBracket', { ...at, height: finding.subject }, here), {
              ...own,
              moves: [move(thing('bracket', slot.id, at.card), 'kept')],
            }),
          ]
        : [],
    ),
    ...drivesAllotted(cards, assembly)
      .filter((drives) => drives.each === each && drives.onCard)
      .map(({ flow: { need }, count, toBoard, drives }) =>
        act(
          step(
            'fitModules',
            { ...at, count, toBoard, hasCover: card.moduleCover, drives },
            { ...here, on: { slot: slot.id, need: need.id }, cautions: ['othersData'] },
          ),
          {
            ...own,
            moves: [
              move(thing('module', `${slot.id}/${need.id}`, at.card), 'inPlace'),
              move(thing('film', `${slot.id}/${need.id}`, at.card), 'thrownAway'),
            ],
          },
        ),
      ),
    ...card.leadsBeforeSeating.map((lead, n) =>
      act(
        step('joinLead', { ...at, lead }, { slotId: slot.id, on: { slot: slot.id, socket: n } }),
        own,
      ),
    ),
    ...ownEnds(each)
      .filter((header) => isBeforeSeating(each, header))
      .map((header) => joiningOwnEnd(each, header)),
    ...(card.plates > 0
      ? [
          act(
            step('joinRibbon', { ...at, count: card.plates }, { ...here, cautions: ['pinOne'] }),
            own,
          ),
          ...platesWithEnds(card).map((bears) =>
            act(step('joinJack', { ...at, count: card.plates, bears }, here), own),
          ),
        ]
      : []),
    ...each.frontLeads.map((lead) =>
      act(
        step(
          'joinFront',
          { ...at, lead },
          {
            ...here,
            on: { slot: slot.id, what: lead },
            cautions: HEADERS[lead].keyed ? [] : ['pinOne'],
          },
        ),
        own,
      ),
    ),
    ...each.findings
      .filter(({ code }) => code === 'quirk.jumper')
      .map(() => act(step('setJumper', at, here), own)),
  ];
}

/** Ports of an older age are pressed on their ribbon; others are plugged in, or screwed, at the plate. */
const platesWithEnds = ({ delivers }: Card): readonly ('jack' | 'aerial')[] =>
  cardKindOf(delivers).plateEnds;

/** Ends of the card's own leads that are plugged in by then, or out of reach: none of those is joined to it once it is in. */
const ownEnds = ({ card, headers }: AssembledCard): readonly BoardHeader[] =>
  headers.flatMap(({ type }) => {
    const lead = card.boardLeads.find((each) => each.type === type);
    return lead?.ownEnd === 'fixed' ? [] : type;
  });

const isBeforeSeating = ({ card }: AssembledCard, header: BoardHeader): boolean =>
  card.boardLeads.some(({ type, ownEnd }) => type === header && ownEnd === 'beforeSeating');

const joiningOwnEnd = (each: AssembledCard, header: BoardHeader): Act =>
  act(
    step(
      isBeforeSeating(each, header) ? 'joinOwnFirst' : 'joinOwnEnd',
      { ...cardAt(each), header },
      {
        ...keyed(each),
        on: { slot: each.slot.id, what: header },
        cautions: HEADERS[header].keyed ? [] : ['pinOne'],
      },
    ),
    { housing: each.slot.enclosureId, forSlots: [each.slot.id] },
  );

function plugsAndHeaders(
  each: AssembledCard,
  cards: readonly AssembledCard[],
  assembly: Assembly,
): readonly Act[] {
  const { slot, card } = each;
  const own = { housing: slot.enclosureId, forSlots: [slot.id] };
  const bodies = bodiesIn(assembly);
  const numbered = (n: number) => ({ slotId: slot.id, on: { slot: slot.id, socket: n } });
  return [
    ...each.exchanges.map(({ socket, ...values }) =>
      act(step('exchangePlugs', { ...cardAt(each), ...values }, numbered(socket)), own),
    ),
    ...card.sockets.map((plug, n) =>
      act(
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
          { ...numbered(n), cautions: ['oneLeadOnePlug'] },
        ),
        own,
      ),
    ),
    ...ownEnds(each)
      .filter((header) => !isBeforeSeating(each, header))
      .map((header) => joiningOwnEnd(each, header)),
    ...drivesAllotted(cards, assembly)
      .filter((drives) => drives.each === each && drives.toBoard)
      .map(({ flow: { need }, count }) =>
        act(
          step(
            'joinBoardPort',
            { ...cardAt(each), count },
            { ...keyed(each), on: { slot: slot.id, need: need.id } },
          ),
          own,
        ),
      ),
    ...each.headers.map(({ type: header, place = null, unkeyed }) => {
      const isCovered =
        place !== null && slot.enclosureId === null && barredBy(place, bodies) !== null;
      return act(
        step(
          'joinHeader',
          { ...cardAt(each), header, isCovered },
          {
            ...keyed(each),
            on: { slot: slot.id, what: header },
            cautions: HEADERS[header].keyed && unkeyed !== true ? [] : ['pinOne'],
          },
        ),
        { ...own, point: slot.enclosureId === null ? place : null },
      );
    }),
  ];
}
