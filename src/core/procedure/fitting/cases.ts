/** What is done at both ends of the work, case by case: power off and open, look over and close. */
import { valueOf } from '../../parts/fact.ts';
import type { ActOn } from '../../parts/act.ts';
import type { Machine } from '../../parts/machine.ts';
import { plainStep, step } from '../step.ts';
import { act, type Act, move, thing } from './act.ts';
import type { FitCode } from './acts.ts';
import type { Room } from './slots.ts';

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

/** What is done at both ends of the work, case by case. */
export function openUp(
  rooms: readonly Room[],
  work: readonly Act[],
  machine: Machine,
): readonly Act[] {
  const boxes = rooms.flatMap(({ id, name }) => (id === null ? [] : name));
  const isDusty = machine.slots.some(({ state }) => valueOf(state) === 'dirty');
  return [
    act(step('powerOff', { boxes }, { cautions: ['mains', 'localRules'] }), {
      moves: [move(thing('mainsLead', 'all'), 'tray')],
    }),
    act(plainStep('leadsOff'), { moves: [move(thing('outsideLeads', 'all'), 'tray')] }),
    act(plainStep('discharge')),
    act(plainStep('earth', { cautions: ['static'] })),
    ...rooms.flatMap((room): readonly Act[] => {
      const values = { enclosure: room.name, held: held(room) };
      const here = { housing: room.id, tool: screwdriverFor(room) };
      return [
        act(step('openCase', values, keyOf(room)), {
          ...here,
          moves: [move(thing('panel', `cards:${room.id ?? ''}`, room.name), 'tray')],
        }),
        ...(opensFarSide(room, work)
          ? [
              act(step('openFarSide', values, keyOf(room)), {
                ...here,
                moves: [move(thing('panel', `far:${room.id ?? ''}`, room.name), 'tray')],
              }),
            ]
          : []),
        ...(room.id === null && work.some(({ draft }) => MOVES_LEADS.includes(draft.code))
          ? [act(plainStep('photoInside'))]
          : []),
        ...(isDusty && room.id === null ? [act(plainStep('dustOut'))] : []),
        ...(valueOf(room.case.retentionBar) === true
          ? [
              act(step('removeBar', { enclosure: room.name }, keyOf(room)), {
                housing: room.id,
                moves: [move(thing('bar', room.id ?? '', room.name), 'tray')],
              }),
            ]
          : []),
      ];
    }),
  ];
}

/** Drives and front bays are screwed from both sides. */
const opensFarSide = ({ id, case: room }: Room, work: readonly Act[]): boolean =>
  valueOf(room.opensBothSides) !== false &&
  work.some(
    ({ draft, housing }) =>
      housing === id &&
      (draft.code === 'mountDrives' || (draft.code === 'putIn' && draft.values.kind === 'bay')),
  );

export function closeUp(rooms: readonly Room[], work: readonly Act[]): readonly Act[] {
  return [
    ...rooms.flatMap((room) =>
      valueOf(room.case.retentionBar) === true
        ? [
            act(step('refitBar', { enclosure: room.name }, keyOf(room)), {
              housing: room.id,
              moves: [move(thing('bar', room.id ?? '', room.name), 'inPlace')],
            }),
          ]
        : [],
    ),
    ...rooms.map((room) =>
      act(step('lookOver', { enclosure: room.name }, keyOf(room)), { housing: room.id }),
    ),
    ...rooms.flatMap((room): readonly Act[] => {
      const values = { enclosure: room.name, held: held(room) };
      const here = { housing: room.id, tool: screwdriverFor(room) };
      return [
        ...(opensFarSide(room, work)
          ? [
              act(step('closeFarSide', values, keyOf(room)), {
                ...here,
                moves: [move(thing('panel', `far:${room.id ?? ''}`, room.name), 'inPlace')],
              }),
            ]
          : []),
        act(step('closeCase', values, keyOf(room)), {
          ...here,
          moves: [move(thing('panel', `cards:${room.id ?? ''}`, room.name), 'inPlace')],
        }),
      ];
    }),
  ];
}
