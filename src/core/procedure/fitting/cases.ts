/** What is done at both ends of the work, case by case: power off and open, look over and close. */
import { valueOf } from '../../parts/fact.ts';
import type { ActOn } from '../../document/act.ts';
import type { Assembly } from '../../assembly/assembly.ts';
import { isBuilt, type Machine } from '../../document/machine.ts';
import { plainStep, step } from '../step.ts';
import { act, type Act, move, thing } from './act.ts';
import { ACTS, type FitCode } from './acts.ts';
import type { BenchState } from '../../assembly/benchState.ts';
import { roomOf, type Room } from './slots.ts';

const keyOf = ({ id }: Room): { readonly on?: ActOn } => (id === null ? {} : { on: { box: id } });

const held = ({ case: room }: Room) => valueOf(room.panelHeld);

const screwdriverFor = (room: Room) => (held(room) === 'latch' ? null : ('screwdriver' as const));

/** What takes plugs or leads from where they lie. */
export const MOVES_LEADS: readonly FitCode[] = [
  'freeCard',
  'takeOut',
  'takeOutFirst',
  'takeToMove',
  'moveObstacle',
  'exchangePlugs',
  'putIn',
];

/** What a bar over the brackets holds. */
export const AT_BRACKETS: readonly FitCode[] = [
  'takeOut',
  'takeOutFirst',
  'takeToMove',
  'removeCover',
  'seat',
  'moveCard',
  'putBack',
  'screw',
  'fitPlate',
  'closeOpening',
];

/** A case with what is done in it, and how it stands. */
export interface OpenRoom extends Room {
  /** Whether a hand still goes in. */
  readonly isWorkedIn: boolean;
  readonly opensFarSide: boolean;
  readonly takesBarOff: boolean;
}

/** @param work that is still to be done */
export function openRooms(
  work: readonly Act[],
  machine: Machine,
  state: BenchState,
): readonly OpenRoom[] {
  const own = [null, ...machine.enclosures.map(({ id }) => id)];
  return own.flatMap((id): readonly OpenRoom[] => {
    const room = roomOf(id, machine);
    const inside = work.filter(
      ({ draft, housing }) => housing === id && ACTS[draft.code].position !== null,
    );
    const { on } = keyOf(room);
    const isOpen = (['openCase', 'openFarSide', 'removeBar'] as const).some((code) =>
      state.holds(code, on),
    );
    return inside.length > 0 || isOpen
      ? [
          {
            ...room,
            isWorkedIn: inside.length > 0,
            opensFarSide: opensFarSide(room, inside),
            takesBarOff:
              valueOf(room.case.retentionBar) === true &&
              inside.some(({ draft }) => AT_BRACKETS.includes(draft.code)),
          },
        ]
      : [];
  });
}

/** What is done before the work, case by case; as far as it is not done yet. */
export function openUp(
  rooms: readonly OpenRoom[],
  work: readonly Act[],
  { machine, cards }: Assembly,
  state: BenchState,
): readonly Act[] {
  const boxes = rooms.flatMap(({ id, name }) => (id === null ? [] : name));
  const isDusty = cards.some(({ slot, later }) => !later && valueOf(slot.state) === 'dirty');
  // What has no supply yet never had mains, and nothing behind it is joined.
  const hasPower = isBuilt(machine) || state.last('mains') === 'start';
  const before = [
    ...(hasPower
      ? [
          poweringOff(boxes),
          act(plainStep('leadsOff'), { moves: [move(thing('outsideLeads', 'all'), 'tray')] }),
          act(plainStep('discharge')),
        ]
      : []),
    act(plainStep('earth', { cautions: ['static'] })),
    ...rooms
      .filter(({ isWorkedIn }) => isWorkedIn)
      .flatMap((room): readonly Act[] => [
        opening('openCase', room),
        ...(room.opensFarSide ? [opening('openFarSide', room)] : []),
        ...(room.id === null && hasPower && movesLeadsInside(work)
          ? [act(plainStep('photoInside'))]
          : []),
        ...(isDusty && room.id === null ? [act(plainStep('dustOut'))] : []),
        ...(room.takesBarOff ? [barOff(room)] : []),
      ]),
  ];
  return before.filter(({ draft: { code, on } }) => !state.holds(code, on));
}

/** In the machine's own case, which is what the photograph shows. */
const movesLeadsInside = (work: readonly Act[]): boolean =>
  work.some(({ draft, housing }) => housing === null && MOVES_LEADS.includes(draft.code));

export const poweringOff = (boxes: readonly string[]): Act =>
  act(step('powerOff', { boxes }, { cautions: ['mains', 'localRules'] }), {
    moves: [move(thing('mainsLead', 'all'), 'tray')],
  });

type PanelCode = 'openCase' | 'openFarSide' | 'closeFarSide' | 'closeCase';

export const opening = (code: PanelCode, room: Room): Act => {
  const side = code === 'openFarSide' || code === 'closeFarSide' ? 'far' : 'cards';
  const to = code === 'openCase' || code === 'openFarSide' ? 'tray' : 'inPlace';
  return act(step(code, { enclosure: room.name, held: held(room) }, keyOf(room)), {
    housing: room.id,
    tool: screwdriverFor(room),
    moves: [move(thing('panel', `${side}:${room.id ?? ''}`, room.name), to)],
  });
};

export const barOff = (room: Room): Act =>
  act(step('removeBar', { enclosure: room.name }, keyOf(room)), {
    housing: room.id,
    moves: [move(thing('bar', room.id ?? '', room.name), 'tray')],
  });

/** Drives and front bays are screwed from both sides. */
const opensFarSide = ({ case: room }: Room, inside: readonly Act[]): boolean =>
  valueOf(room.opensBothSides) === true &&
  inside.some(
    ({ draft }) =>
      draft.code === 'mountDrives' || (draft.code === 'putIn' && draft.values.kind === 'bay'),
  );

/** What is done after the work, case by case: whatever is off by then goes on again. */
export function closeUp(rooms: readonly OpenRoom[], state: BenchState): readonly Act[] {
  const isOff = (code: 'openCase' | 'openFarSide' | 'removeBar', room: OpenRoom) =>
    state.holds(code, keyOf(room).on);
  const willBeOpen = (room: OpenRoom) => room.isWorkedIn || isOff('openCase', room);
  return [
    ...rooms
      .filter((room) => room.takesBarOff || isOff('removeBar', room))
      .map((room) =>
        act(step('refitBar', { enclosure: room.name }, keyOf(room)), {
          housing: room.id,
          moves: [move(thing('bar', room.id ?? '', room.name), 'inPlace')],
        }),
      ),
    ...rooms
      .filter((room) => willBeOpen(room) && !state.holds('lookOver', keyOf(room).on))
      .map((room) =>
        act(step('lookOver', { enclosure: room.name }, keyOf(room)), { housing: room.id }),
      ),
    ...rooms.flatMap((room) => [
      ...(room.opensFarSide || isOff('openFarSide', room) ? [opening('closeFarSide', room)] : []),
      ...(willBeOpen(room) ? [opening('closeCase', room)] : []),
    ]),
  ];
}
