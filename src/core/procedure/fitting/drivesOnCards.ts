/** Drives by what they hang on: modules on a card, others in bays, on a card's ports or on those of the board itself. */
import type { Mounted } from '../../kinds/needKind.ts';
import type { AssembledCard, Assembly } from '../../assembly/assembly.ts';
import type { Flow } from '../../kinds/flow.ts';
import { onId, type ActOn } from '../../document/act.ts';
import { cardName } from '../../document/card.ts';
import { driveName } from '../../parts/drive.ts';
import { valueOf } from '../../parts/fact.ts';
import { drivesNeeded } from '../../kinds/drives/wanted.ts';
import { unitsNeeded } from '../../kinds/need.ts';
import { cardAt, step, keyed, type StepValues } from '../step.ts';
import { act, type Act, move, thing } from './act.ts';
import type { BenchState } from '../../assembly/benchState.ts';
import { nameOf, roomOf } from './slots.ts';

/** Drives that hang on one thing for one need: of all that it could serve, those that nothing before it does. */
interface DrivesAllotted {
  /** Null: the board's own ports. */
  readonly each: AssembledCard | null;
  readonly mounted: Mounted;
  readonly flow: Flow;
  readonly count: number;
  /** On the card itself, and not in a bay. */
  readonly onCard: boolean;
  /** Their data leads go to ports of the board. */
  readonly toBoard: boolean;
  /** The first of its ports that they take, from one. */
  readonly firstPort: number;
  /** Those that are known of them. */
  readonly drives: StepValues['mountDrives']['drives'];
}

/**
 * A card is bought for them: the board's own ports take what is left; in a second round they have what the first gave them.
 * @param cards of the assembly, or some of them
 */
export function drivesAllotted(
  cards: readonly AssembledCard[],
  { earlier, boardDrives }: Pick<Assembly, 'earlier' | 'boardDrives'>,
): readonly DrivesAllotted[] {
  const given = new Map<string, number>();
  const ports = new Map<AssembledCard | null, number>();
  const allot = (each: AssembledCard | null, flow: Flow): readonly DrivesAllotted[] => {
    const { need, units, hangs } = flow;
    const mounted = drivesNeeded(need)?.mounted ?? null;
    if (mounted === null || hangs === null) return [];
    const before = given.get(need.id) ?? 0;
    const taken = ports.get(each) ?? 0;
    // Ports of the board that one need has are not free for the next.
    const free = each === null ? units - taken : units;
    const count = Math.min(free, unitsNeeded(need) - before);
    if (count <= 0) return [];
    given.set(need.id, before + count);
    ports.set(each, taken + count);
    const toBoard = mounted.on === 'ledModules';
    return [
      {
        each,
        mounted,
        flow,
        count,
        onCard: hangs === 'card' || toBoard,
        toBoard,
        firstPort: taken + 1,
        drives: mounted.these.slice(before, before + count).map((drive) => ({
          name: driveName(drive),
          gigabytes: drive.gigabytes,
          serial: drive.serial,
          sides: drive.sides,
        })),
      },
    ];
  };
  const ofCards = (some: readonly AssembledCard[]) =>
    some
      .toSorted((a, b) => a.inPlan - b.inPlan)
      .flatMap((each) => each.flows.flatMap((flow) => allot(each, flow)));
  const onBoard = () => boardDrives.flatMap((flow) => allot(null, flow));
  if (earlier.cards.length === 0) return [...ofCards(cards), ...onBoard()];
  ofCards(earlier.cards);
  onBoard();
  return ofCards(cards);
}

/** On the board itself. */
export const NO_CARD = { card: '', slot: '', enclosure: '' };

/** Drives of one need in one case, whatever they hang on: they stay in their bays when their card goes elsewhere. */
function mounting(
  group: readonly DrivesAllotted[],
  { machine }: Assembly,
  state: BenchState,
): readonly Act[] {
  const [first] = group;
  if (first === undefined) return [];
  const { need } = first.flow;
  const housing = first.each?.slot.enclosureId ?? null;
  const here: ActOn = { need: need.id, ...(housing === null ? {} : { box: housing }) };
  const count = group.reduce((sum, each) => sum + each.count, 0);
  const drives = group.flatMap((each) => each.drives);
  /** What is in its bay stays there; only more of them are work. */
  const of = (code: 'mountDrives' | 'joinDriveEnds' | 'feedDrives') => {
    const done = state.countOf(code, here);
    const all = Math.max(done, count);
    const more = count > done ? count - done : count;
    return {
      at: { ...at, count: more, drives: drives.slice(-more) },
      on: all === 1 ? here : { ...here, number: all },
    };
  };
  const one = group.length === 1 ? first.each : null;
  const at = {
    ...NO_CARD,
    card: one === null ? '' : cardName(one.card),
    enclosure: nameOf(housing, machine),
    count,
    firstPort: 1,
    drives,
  };
  const { frames, plugAdapters } = first.flow.forDrives;
  const own = { housing, forSlots: group.flatMap(({ each }) => each?.slot.id ?? []) };
  const bothSides = valueOf(roomOf(housing, machine).case.opensBothSides) === true;
  const [mounted, joined, fed] = [of('mountDrives'), of('joinDriveEnds'), of('feedDrives')];
  return [
    act(
      step(
        'mountDrives',
        { ...mounted.at, frames: [...new Set(frames)], bothSides },
        { on: mounted.on, cautions: ['othersData'] },
      ),
      {
        ...own,
        moves: [
          move(thing('drive', [onId(mounted.on), ...own.forSlots].join(' '), at.card), 'inPlace'),
        ],
      },
    ),
    act(step('joinDriveEnds', joined.at, { on: joined.on }), own),
    act(
      step('feedDrives', { ...fed.at, plugAdapters: [...new Set(plugAdapters)] }, { on: fed.on }),
      own,
    ),
  ];
}

/** Whether drives are to hang where an act has joined them. */
const isAllotted = ({ need, slot }: ActOn, all: readonly DrivesAllotted[]): boolean =>
  all.some(({ each, flow }) => flow.need.id === need && each?.slot.id === slot);

/** Drives in bays: mounted, joined at both ends of each lead, then fed plug by plug. */
export function driveActs(
  cards: readonly AssembledCard[],
  assembly: Assembly,
  state: BenchState,
): readonly Act[] {
  const inBays = drivesAllotted(cards, assembly).filter(({ onCard }) => !onCard);
  const groups = new Map<string, readonly DrivesAllotted[]>();
  for (const drives of inBays) {
    const key = `${drives.flow.need.id} ${drives.each?.slot.enclosureId ?? ''}`;
    groups.set(key, [...(groups.get(key) ?? []), drives]);
  }
  return [
    ...[...groups.values()].flatMap((group) => mounting(group, assembly, state)),
    ...inBays.map(({ each, flow: { need }, count, firstPort, drives }) =>
      act(
        step(
          'joinDrives',
          {
            ...(each === null ? NO_CARD : cardAt(each)),
            count,
            firstPort,
            drives,
            hangElsewhere: state
              .standing('joinDrives')
              .some((on) => on.need === need.id && !isAllotted(on, inBays)),
          },
          each === null
            ? { on: { need: need.id } }
            : { ...keyed(each), on: { slot: each.slot.id, need: need.id } },
        ),
        {
          housing: each?.slot.enclosureId ?? null,
          forSlots: each === null ? [] : [each.slot.id],
        },
      ),
    ),
  ];
}

/**
 * Drives that the firmware lists by itself: on the board's own ports, and on cards that bring it their own code. Others show
 * in the system only; so do those in an external box, which comes later.
 */
export const countedByFirmware = ({ each }: Pick<DrivesAllotted, 'each'>): boolean =>
  each === null || (each.card.boot !== 'none' && each.slot.enclosureId === null);
