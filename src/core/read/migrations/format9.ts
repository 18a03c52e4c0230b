/** Format 9 knows drives as things, bays by their size, what is for later, a second system, how the machine came. */
import { claimed, eachOf, filled, isPart, planWith, type Migration } from './part.ts';

const needOfFormat9 = (need: unknown): unknown =>
  isPart(need)
    ? { manners: [], later: false, ...(need['kind'] === 'drives' ? { these: [] } : {}), ...need }
    : need;

const cardOfFormat9 = (card: unknown): unknown =>
  isPart(card)
    ? {
        manners: [],
        ...card,
        statements: eachOf(card['statements'] ?? [], (each) => filled(each, { card: '' })),
      }
    : card;

/** Bays were counted, whatever their size: all of the usual one. */
const baysOfFormat9 = (bays: unknown): unknown =>
  claimed(bays, (count) =>
    typeof count === 'number' ? (count === 0 ? [] : [{ size: '3.5', count }]) : count,
  );

const roomOfFormat9 = (room: unknown): unknown =>
  isPart(room) ? { ...room, bays: baysOfFormat9(room['bays'] ?? null) } : room;

function machineOfFormat9(machine: unknown): unknown {
  if (!isPart(machine)) return machine;
  return {
    secondSystem: null,
    damage: [],
    ...machine,
    case: roomOfFormat9(machine['case']),
    enclosures: eachOf(machine['enclosures'], (box) =>
      isPart(box) ? { ...box, case: roomOfFormat9(box['case']) } : box,
    ),
    slots: eachOf(machine['slots'], (slot) =>
      isPart(slot)
        ? {
            ...slot,
            occupant: claimed(slot['occupant'], (occupant) =>
              filled(occupant, { hotPlug: null, heightMm: null }),
            ),
          }
        : slot,
    ),
  };
}

export const toFormat9: Migration = {
  job: (job) => ({
    ...job,
    format: 9,
    machine: machineOfFormat9(job['machine']),
    needs: eachOf(job['needs'], needOfFormat9),
    plan: filled(planWith(job['plan'], cardOfFormat9), { later: [] }),
  }),
  machine: machineOfFormat9,
  card: cardOfFormat9,
};
