/** What plugs in behind, once the case is closed, and the first start. */
import { mostBytesPerSecond } from '../../kinds/delivery.ts';
import type { AssembledCard, Assembly } from '../../assembly/assembly.ts';
import { rearLeadsOf } from '../../assembly/rearLeads.ts';
import type { LeadEnd } from '../../kinds/leadEnd.ts';
import type { Flow } from '../../kinds/flow.ts';
import { valueOf } from '../../parts/fact.ts';
import { isBuilt, type Machine, type Occupant, type Slot } from '../../document/machine.ts';
import { unitsNeeded } from '../../kinds/need.ts';
import { deviceId } from '../../parts/pciFunction.ts';
import { isLoop, makesPictures } from '../../kinds/screens/picture.ts';
import { aerialsOf } from '../../kinds/wifi/aerials.ts';
import { keyed, plainStep, step, cardAt } from '../step.ts';
import { act, type Act, move, thing } from './act.ts';
import type { BenchState } from '../../assembly/benchState.ts';
import { countedByFirmware, drivesAllotted } from './drivesOnCards.ts';

/**
 * What plugs in behind, once the case is closed, and the first start; as far as it is not done yet.
 * @param isTouched whether leads are off, or will be
 */
export function outside(
  cards: readonly AssembledCard[],
  assembly: Assembly,
  state: BenchState,
  isTouched: boolean,
): readonly Act[] {
  const { machine, removed } = assembly;
  const boardShows = valueOf(machine.builtIn)?.some(makesPictures) ?? false;
  const display = (slots: readonly Slot[]) =>
    slots.map(({ occupant }) => valueOf(occupant)).find((card) => card && isDisplay(card, machine));
  const hadCard = display(machine.slots) != null;
  const drives = drivesAllotted(cards, assembly)
    .filter(countedByFirmware)
    .reduce((sum, { count }) => sum + count, 0);
  // What was never on before goes on now.
  const isOff = (kind: 'mains' | 'leads', off: 'powerOff' | 'leadsOff') =>
    isTouched || state.holds(off) || (!isBuilt(machine) && state.last(kind) === null);
  const joins = [
    ...cards
      .filter(({ card }) => makesPictures(card.delivers))
      .map((each) =>
        act(
          step(
            'moveScreenLead',
            {
              ...cardAt(each),
              adapters: adaptersOf(each.flows.filter(({ need }) => !isLoop(need))),
              boardGoesOff: boardShows && !hadCard,
              from: display(removed)?.name ?? '',
            },
            keyed(each),
          ),
        ),
      ),
    ...cards.flatMap((each) =>
      each.flows
        .filter(({ need }) => isLoop(need))
        .map((flow) =>
          act(
            step(
              'joinLoop',
              {
                ...cardAt(each),
                count: Math.min(flow.units, unitsNeeded(flow.need)),
                adapters: adaptersOf([flow]),
              },
              { ...keyed(each), on: { slot: each.slot.id, need: flow.need.id } },
            ),
          ),
        ),
    ),
    ...cards.flatMap((each) => {
      const count = aerialsOf(each.card.delivers);
      return count > 0 ? [act(step('joinAerials', { ...cardAt(each), count }, keyed(each)))] : [];
    }),
    ...joinRear(cards, assembly),
    ...joinEnclosures(assembly),
  ];
  const boxes = boxesUsed(assembly);
  const counts = [
    // Where there is no firmware setup to look into, the system is asked.
    ...(drives === 0 || valueOf(machine.system.architecture) === 'arm64'
      ? []
      : [act(step('countDrives', { count: drives }))]),
    ...(boxes.length === 0
      ? []
      : [act(step('checkEnclosures', { names: boxes.map(({ name }) => name) }))]),
  ];
  const isFirst = !isBuilt(machine) && state.last('leads') !== 'leadsBack';
  const isOpen = ({ draft: { code, on } }: Act) => !state.holds(code, on);
  return [
    ...(isOff('leads', 'leadsOff')
      ? [
          act(step('leadsBack', { isFirst }), {
            moves: [move(thing('outsideLeads', 'all'), 'inPlace')],
          }),
        ]
      : []),
    ...joins.filter(isOpen),
    ...(isOff('mains', 'powerOff')
      ? [act(plainStep('start'), { moves: [move(thing('mainsLead', 'all'), 'inPlace')] })]
      : []),
    ...counts.filter(isOpen),
  ];
}

/** A card that is in already is known by what its machine reported of it. */
const isDisplay = ({ ids }: Occupant, { functions }: Machine): boolean =>
  ids !== null &&
  functions.some((fn) => deviceId(fn) === deviceId(ids) && fn.classCode >> 8 === DISPLAY_CLASS);

const DISPLAY_CLASS = 0x03;

const adaptersOf = (flows: readonly Flow[]) => [
  ...new Set(flows.flatMap(({ adapters }) => adapters)),
];

/** What goes into a card from outside, but for screens, aerials and boxes, which have tasks of their own. */
function joinRear(cards: readonly AssembledCard[], { machine, earlier }: Assembly): readonly Act[] {
  const all = [...earlier.cards, ...cards].toSorted((a, b) => a.inPlan - b.inPlan);
  return rearLeadsOf(all, machine).flatMap(({ sockets }, n) => {
    const each = all[n];
    return each === undefined || !cards.includes(each)
      ? []
      : sockets.flatMap(({ kind, count, end }, socket) =>
          FROM_OUTSIDE.includes(end.to)
            ? [
                act(
                  step(
                    'joinRear',
                    { ...cardAt(each), kind, count, end },
                    { ...keyed(each), on: { slot: each.slot.id, socket } },
                  ),
                ),
              ]
            : [],
        );
  });
}

const FROM_OUTSIDE: readonly LeadEnd['to'][] = ['farEnd', 'usbDevice', 'speakers', 'device'];

/** External boxes that cards go into, in the order of their chain: what moves most data nearest to the machine. */
const boxesUsed = ({ cards, machine }: Assembly) =>
  machine.enclosures
    .filter(({ id }) => cards.some(({ slot }) => slot.enclosureId === id))
    .map(({ id, name, case: room }) => ({
      name,
      hasLock: valueOf(room.leadLock) === true,
      rate: cards
        .filter(({ slot }) => slot.enclosureId === id)
        .reduce((sum, { card }) => sum + mostBytesPerSecond(card.delivers), 0),
    }))
    .toSorted((a, b) => b.rate - a.rate);

function joinEnclosures(assembly: Assembly): readonly Act[] {
  const used = boxesUsed(assembly);
  return used.length === 0
    ? []
    : [
        act(
          step(
            'joinEnclosures',
            {
              names: used.map(({ name }) => name),
              locked: used.flatMap(({ name, hasLock }) => (hasLock ? name : [])),
            },
            { cautions: ['mains'] },
          ),
        ),
      ];
}
