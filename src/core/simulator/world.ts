/**
 * A machine that behaves: what stands where, what holds it, what is joined to what. It takes from the accepted plan
 * what goes where, and judges by itself whether an act can be done now.
 */
import type { DeliveryKind } from '../kinds/delivery.ts';
import { drivesNeeded, goIntoBays } from '../kinds/drives/wanted.ts';
import { cabledPorts } from '../kinds/drives/ports.ts';
import { newCardsOf, type Assembly } from '../assembly/assembly.ts';
import type { Card } from '../document/card.ts';
import { valueOf } from '../parts/fact.ts';
import type { Job } from '../document/job.ts';
import type { Machine, Obstacle, Slot } from '../document/machine.ts';
import { unitsNeeded, needKindOf } from '../kinds/need.ts';
import {
  COMPONENT_SIDE_MM,
  MODULE_WIDTH_MM,
  OPENING_PITCH_MM,
  SOCKET_DEPTH_MM,
  SOLDER_SIDE_MM,
} from '../standards/cardForm.ts';

/** A card with what it fills, in or out of its slot. */
export interface Body {
  /** The slot it sat in at first, or `new:` and the slot it is for. */
  readonly id: string;
  readonly name: string;
  readonly isModule: boolean;
  readonly openings: number;
  readonly lengthMm: number | null;
  readonly moduleLengthMm: number;
  /** Plugs and leads hold it. */
  readonly isJoined: boolean;
  /** It works with plugs or leads in it: as it came, or by its sockets. */
  readonly worksJoined: boolean;
  readonly isHeld: boolean;
  /** Its bracket is not of this case's height. */
  readonly hasWrongBracket: boolean;
  /** The slot it came out of last. */
  readonly cameFrom?: string;
}

export type Filling = 'cover' | 'bracket' | 'plate' | 'open';

export interface World {
  readonly machine: Machine;
  /** What exchanges a plug before it gets it: slot and number of the socket. */
  readonly exchanged: ReadonlySet<string>;
  readonly hasMains: boolean;
  readonly isCharged: boolean;
  readonly isRunning: boolean;
  readonly isTethered: boolean;
  /** Panels and bars that are off, by what they are and the case. */
  readonly off: ReadonlySet<string>;
  readonly standing: ReadonlyMap<string, Body>;
  /** Cards that are not in, by their id. */
  readonly out: ReadonlyMap<string, Body>;
  /** Of each case by its id, each opening from 1. */
  readonly openings: ReadonlyMap<string, Filling>;
  readonly caps: ReadonlySet<string>;
  /** Obstacles that stand where the survey found them. */
  readonly inPlace: ReadonlySet<string>;
  /** Plugs of theirs that are not in. */
  readonly unplugged: ReadonlySet<string>;
  /** Covers that came off, by the opening they closed. */
  readonly looseCovers: ReadonlySet<string>;
  /** What was bought, or is of the machine itself, and has to be in: marks that have to be left. */
  readonly wanted: readonly string[];
  /** How many drives each need has to have in bays. */
  readonly wantedDrives: readonly { readonly need: string; readonly count: number }[];
  /** How many of them are mounted, joined at either end, fed: by that, the need and the case. */
  readonly drives: ReadonlyMap<string, number>;
  /** What was done that leaves a mark: parts put in, drives mounted, plugs exchanged. */
  readonly done: ReadonlySet<string>;
}

export const caseId = (enclosureId: string | null): string => enclosureId ?? '';
export const openingIn = (enclosureId: string | null, number: number): string =>
  `${caseId(enclosureId)}#${number}`;
export const NEW = 'new:';

/** The machine as it stands before the work, with what is bought lying beside it. @param isOpen there is no case around it */
export function worldOf(job: Job, assembly: Assembly, isOpen = false): World {
  const { machine } = job;
  const standing = new Map(
    machine.slots.flatMap((slot): readonly (readonly [string, Body])[] => {
      const body = bodyIn(slot);
      return body === null ? [] : [[slot.id, body]];
    }),
  );
  const openings = new Map<string, Filling>();
  for (const { id, room } of casesOf(machine)) {
    const faced = Math.max(
      valueOf(room.openings) ?? 0,
      ...machine.slots.map((slot) => (slot.enclosureId === id ? (valueOf(slot.opening) ?? 0) : 0)),
      ...assembly.toOpen.map((each) => (each.enclosureId === id ? each.number : 0)),
    );
    for (let n = 1; n <= faced; n += 1) openings.set(openingIn(id, n), 'cover');
  }
  for (const slot of machine.slots) {
    const body = standing.get(slot.id);
    const first = valueOf(slot.opening);
    if (body === undefined || first === null || body.isModule) continue;
    for (let n = first; n < first + body.openings; n += 1)
      openings.set(openingIn(slot.enclosureId, n), 'bracket');
  }
  const fresh = newCardsOf(assembly);
  return {
    machine,
    exchanged: exchangedIn(assembly),
    hasMains: !machine.toFit.includes('supply'),
    isCharged: !machine.toFit.includes('supply'),
    isRunning: !machine.toFit.includes('supply'),
    isTethered: !machine.toFit.includes('supply'),
    off: new Set(isOpen ? ['panel '] : []),
    standing,
    out: new Map(
      fresh.map(({ card, slot }) => [NEW + slot.id, newBody(card, slot, machine)] as const),
    ),
    openings,
    caps: new Set(
      machine.slots.flatMap(({ id, state }) => (valueOf(state) === 'capped' ? id : [])),
    ),
    inPlace: new Set(machine.obstacles.map(({ id }) => id)),
    unplugged: new Set(),
    looseCovers: new Set(),
    wanted: wantedIn(job),
    wantedDrives: drivesIn(job, assembly),
    drives: new Map(),
    done: new Set(),
  };
}

/** The world as it stands, for a plan that has changed meanwhile: what it brings lies beside it, what was found is in it. */
export function bring(world: World, job: Job, assembly: Assembly): World {
  const { machine } = job;
  const fresh = newCardsOf(assembly);
  const known = new Map([...world.out.values()].map((body) => [body.name, body]));
  const isOld = (id: string) => !id.startsWith(NEW);
  const out = new Map([...world.out].filter(([id]) => isOld(id)));
  for (const { card, slot } of fresh) {
    if (world.standing.get(slot.id)?.id === NEW + slot.id) continue;
    const body = newBody(card, slot, machine);
    // A bracket that was changed on the bench stays changed.
    const before = known.get(body.name);
    const hasWrongBracket = before?.hasWrongBracket ?? body.hasWrongBracket;
    // What came out of this slot for a while goes back there.
    const cameFrom = before?.cameFrom === slot.id ? { cameFrom: slot.id } : {};
    out.set(body.id, { ...body, hasWrongBracket, ...cameFrom });
  }
  return {
    ...world,
    machine,
    out,
    inPlace: new Set([
      ...world.inPlace,
      ...machine.obstacles.flatMap(({ id }) =>
        world.machine.obstacles.some((each) => each.id === id) ? [] : id,
      ),
    ]),
    exchanged: exchangedIn(assembly),
    wanted: wantedIn(job),
    wantedDrives: drivesIn(job, assembly),
  };
}

/** What a customer ordered beside the cards, and what the machine itself has to have: parts, and both ends of every lead. */
const wantedIn = ({ bought, machine }: Job): readonly string[] => [
  ...bought.flatMap(({ id, kind }) => (/lead|cable/i.test(kind) ? [] : `part ${id}`)),
  ...machine.toFit.map((part) => `part ${part}`),
  ...machine.leads.flatMap(({ id, ends }) =>
    ends.flatMap(({ joined, barred }, n) =>
      joined?.value === true || barred !== undefined ? [] : `end ${id} ${n}`,
    ),
  ),
];

/** Of a need the drives in bays: as many as it asks, and as many as there are ports for. */
function drivesIn({ needs, plan, machine }: Job, assembly: Assembly) {
  const cards = newCardsOf(assembly).map(({ card }) => card.delivers);
  const board = valueOf(machine.builtIn) ?? [];
  const free = new Map<DeliveryKind, number>();
  for (const each of [...board, ...cards])
    free.set(each.kind, (free.get(each.kind) ?? 0) + cabledPorts(each));
  return needs.flatMap((need) => {
    const wanted = drivesNeeded(need);
    if (wanted === null || plan?.unmet.includes(need.id) === true || !goIntoBays(wanted)) return [];
    let missing = unitsNeeded(need);
    const given = needKindOf(need).servedBy.map((kind) => {
      const count = Math.min(free.get(kind) ?? 0, missing);
      free.set(kind, (free.get(kind) ?? 0) - count);
      missing -= count;
      return count;
    });
    const count = given.reduce((sum, each) => sum + each, 0);
    return count === 0 ? [] : [{ need: need.id, count }];
  });
}

/** Sockets that get a plug that feeds something else as yet: slot and number. */
const exchangedIn = (assembly: Assembly): ReadonlySet<string> =>
  new Set(
    newCardsOf(assembly).flatMap(({ slot, feeds }) =>
      feeds.flatMap(({ exchangedFor }, n) => (exchangedFor === null ? [] : `${slot.id} ${n}`)),
    ),
  );

export const casesOf = ({ case: own, enclosures }: Machine) => [
  { id: null as string | null, room: own },
  ...enclosures.map(({ id, case: room }) => ({ id: id as string | null, room })),
];

function bodyIn(slot: Slot): Body | null {
  const card = valueOf(slot.occupant);
  if (card === null) return null;
  const [plugs, leads] = [valueOf(card.plugs), valueOf(card.frontLeads)];
  return {
    id: slot.id,
    name: card.name,
    isModule: slot.bus === 'm2',
    openings: valueOf(card.openings) ?? 1,
    lengthMm: valueOf(card.lengthMm),
    moduleLengthMm: valueOf(card.lengthMm) ?? 0,
    // Who does not know looks: there may be some.
    isJoined: plugs?.length !== 0 || leads?.length !== 0,
    worksJoined: plugs?.length !== 0 || leads?.length !== 0,
    isHeld: true,
    hasWrongBracket: false,
  };
}

function newBody(card: Card, slot: Slot, machine: Machine): Body {
  const room = casesOf(machine).find(({ id }) => id === slot.enclosureId)?.room ?? machine.case;
  const height = valueOf(room.bracket);
  return {
    id: NEW + slot.id,
    name: `${card.maker} ${card.model}`,
    isModule: card.bus === 'm2',
    openings: card.openings,
    lengthMm: card.lengthMm,
    moduleLengthMm: card.m2?.moduleLengthMm ?? 0,
    isJoined: false,
    worksJoined: card.sockets.length > 0,
    isHeld: false,
    hasWrongBracket: card.bus !== 'm2' && height !== null && card.bracketMounted !== height,
  };
}

/** What a body covers of the board, in millimetres from its rear upper corner; null where that is not told. */
export interface Patch {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

/** Where the middle of the first opening lies where nobody told. Common practice, no source. */
const FIRST_MIDDLE_MM = 170;

export function patchOf(body: Body, slot: Slot, machine: Machine): Patch | null {
  if (slot.enclosureId !== null) return null;
  if (body.isModule) {
    const at = valueOf(slot.place);
    return at === null
      ? null
      : {
          left: at.xMm,
          right: at.xMm + SOCKET_DEPTH_MM + body.moduleLengthMm,
          top: at.yMm,
          bottom: at.yMm + MODULE_WIDTH_MM,
        };
  }
  const first = valueOf(slot.opening);
  if (first === null || body.lengthMm === null) return null;
  const middle =
    (valueOf(machine.board)?.firstOpeningMm ?? FIRST_MIDDLE_MM) + (first - 1) * OPENING_PITCH_MM;
  return {
    left: 0,
    right: body.lengthMm,
    top: middle - SOLDER_SIDE_MM,
    bottom: middle + COMPONENT_SIDE_MM + (body.openings - 1) * OPENING_PITCH_MM,
  };
}

export const obstaclePatch = ({ xMm, yMm, widthMm, depthMm }: Obstacle): Patch => ({
  left: xMm,
  right: xMm + widthMm,
  top: yMm,
  bottom: yMm + depthMm,
});

export const meet = (a: Patch, b: Patch): boolean =>
  a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom;
