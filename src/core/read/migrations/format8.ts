/** Format 8 knows the network path device by device, what is in boxes and what is said of cards, what ports and slots take. */
import { BLANK_ACCESS_POINT, BLANK_HOPS, BLANK_PATH } from './blanks.ts';
import { claimed, eachOf, filled, isPart, planWith, type Part, type Migration } from './part.ts';

/** Format 8 tells of the network path device by device; until then it was one lead to a far end. */
function machineOfFormat8(machine: unknown): unknown {
  if (!isPart(machine)) return machine;
  return {
    accessPoint: BLANK_ACCESS_POINT,
    ...machine,
    builtIn: claimed(machine['builtIn'], (all) => eachOf(all, deliveryOfFormat8)),
    path: pathOfFormat8(machine['path']),
    slots: eachOf(machine['slots'], (slot) => filled(slot, { state: null })),
  };
}

function pathOfFormat8(path: unknown): unknown {
  if (!isPart(path)) return path;
  const { cable = null, cableMetres = null, farEndMegabits = null, ...rest } = path;
  const hops = BLANK_HOPS.map((hop) => ({
    ...hop,
    portMegabits: farEndMegabits,
    leads: hop.leads.map((lead) => ({ ...lead, cable, metres: cableMetres })),
  }));
  return { ...BLANK_PATH, ...rest, ...('cable' in path || !('hops' in path) ? { hops } : {}) };
}

const deliveryOfFormat8 = (delivers: unknown): unknown =>
  isPart(delivers) && delivers['kind'] === 'network' ? { medium: 'copper', ...delivers } : delivers;

const cardOfFormat8 = (card: unknown): unknown =>
  isPart(card)
    ? {
        contents: [],
        chip: '',
        statements: [],
        returnDays: null,
        ...card,
        delivers: deliveryOfFormat8(card['delivers']),
      }
    : card;

/** What needs of each kind were not asked before format 8. */
const NEEDS_OF_FORMAT_7: Readonly<Record<string, Part>> = {
  network: { encrypted: false },
  usb: { device: null, deviceSignalling: '3.2-1' },
  drives: { usableGigabytes: 0, driveGigabytes: 4_000, usedDrives: false },
};

const needOfFormat8 = (need: unknown): unknown =>
  isPart(need) ? { backing: 'none', ...NEEDS_OF_FORMAT_7[String(need['kind'])], ...need } : need;

export const toFormat8: Migration = {
  job: (job) => ({
    ...job,
    format: 8,
    machine: machineOfFormat8(job['machine']),
    needs: eachOf(job['needs'], needOfFormat8),
    plan: planWith(job['plan'], cardOfFormat8),
  }),
  machine: machineOfFormat8,
  card: cardOfFormat8,
};
