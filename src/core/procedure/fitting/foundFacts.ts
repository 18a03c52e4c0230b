/** What was found at the bench, as facts of machine and cards, and as what has to be bought. */
import { assemblyOf } from '../../assembly/assembly.ts';
import type { Card } from '../../document/card.ts';
import type { Extra } from '../../parts/extra.ts';
import { known, valueOf } from '../../parts/fact.ts';
import { freeNumber } from '../../document/freeNumber.ts';
import { looseLead, type InnerLead } from '../../parts/innerLead.ts';
import type { Job } from '../../document/job.ts';
import type { Machine, Slot } from '../../document/machine.ts';
import { openingMiddleMm } from '../../placement/geometry.ts';
import { machineAround } from '../../placement/housing.ts';
import { plugsOf } from '../../placement/plugs.ts';
import type { BoardHeader } from '../../standards/headers.ts';
import { leadRow, type LeadKind } from '../../standards/innerLeads.ts';
import type { Step, StepCode } from '../step.ts';
import type { Found } from './found.ts';

/** How wide and deep a thing in the way is taken to be where only its place was read. Common practice, no source. */
const THING_MM = { widthMm: 12, depthMm: 10 };
/** A cover stands before its opening, as a plate. */
const COVER_MM = { widthMm: 3, depthMm: 16, heightMm: 100 };

/** What becomes part of a survey or is bought because of what was found, by name; screens have the words. */
export interface FoundNames {
  /** A longer lead of this kind, or of this name. */
  readonly longer: (lead: LongerLead | LeadKind, name: string) => string;
  readonly stuckCover: (opening: number) => string;
  readonly bentPin: (header: BoardHeader) => string;
  /** How a thing is moved that was found in the way. */
  readonly moving: string;
}
export type LongerLead = 'data' | 'power' | 'outside';

/** The job with what was found as facts of machine and cards, and what has to be bought for it; the plan stays as it was. */
export function withFound(job: Job, step: Step, found: Found, names: FoundNames): Job {
  return job.plan === null
    ? job
    : step.code === 'joinEnd'
      ? ofLead(job, step, found, names)
      : found.kind === 'knockedLoose'
        ? withKnockedLoose(job, found)
        : ofSlot(job, step, found, names);
}

/** What is found of a lead of the machine itself. */
function ofLead(
  job: Job,
  step: Extract<Step, { code: 'joinEnd' }>,
  found: Found,
  names: FoundNames,
): Job {
  const { lead: id, socket: n } = step.on;
  const change = (to: (lead: InnerLead) => InnerLead): Job => ({
    ...job,
    machine: {
      ...job.machine,
      leads: job.machine.leads.map((each) => (each.id === id ? to(each) : each)),
    },
  });
  const barred = ({ headerTaken: 'taken', noHeader: 'noHeader', pinBent: 'pinBent' } as const)[
    found.kind as 'headerTaken'
  ];
  if (barred !== undefined)
    return change((lead) => ({
      ...lead,
      ends: lead.ends.map((end, at) => (at === n ? { ...end, barred } : end)),
    }));
  if (found.kind === 'notKeyed') return change((lead) => ({ ...lead, unkeyed: true }));
  if (found.kind !== 'leadShort') return job;
  const { lead, name } = step.values;
  const kind = leadRow(lead).fromSupply === true ? 'powerLead' : 'headerLead';
  return withLonger(job, kind, names.longer(lead, name));
}

/** A longer lead, bought for the machine itself, of which nobody has told price or delivery yet. */
function withLonger(job: Job, kind: Extra['kind'], what: string): Job {
  const id = `longer-${freeNumber(job.bought, (n) => `longer-${n}`, 1)}`;
  const longer: Extra = {
    id,
    maker: '',
    model: what,
    kind,
    fits: '',
    limit: null,
    priceCents: 0,
    leadDays: null,
  };
  return { ...job, bought: [...job.bought, longer] };
}

const withKnockedLoose = (
  job: Job,
  { lead, name }: Extract<Found, { readonly kind: 'knockedLoose' }>,
): Job => {
  const { leads } = job.machine;
  const id = `lead${freeNumber(leads, (n) => `lead${n}`)}`;
  return {
    ...job,
    machine: { ...job.machine, leads: [...leads, looseLead(id, lead, name, 'bench')] },
  };
};

/** What is found of a slot, its card, or a lead that goes to it. */
function ofSlot(job: Job, step: Step, found: Found, names: FoundNames): Job {
  const { machine } = job;
  const slot = machine.slots.find(({ id }) => id === step.slotId);
  const longer = LONGER[step.code];
  if (found.kind === 'leadShort' && longer !== undefined)
    return withLonger(job, longer.kind, names.longer(longer.lead, ''));
  if (slot === undefined) return job;
  switch (found.kind) {
    case 'leadShort':
      return withLeadShort(job, slot, step, found.mm);
    case 'noHeader':
    case 'headerTaken':
      return step.code === 'joinHeader'
        ? { ...job, machine: withoutHeader(job, step, found.kind === 'noHeader') }
        : job;
    case 'pinBent':
      return withBentPin(job, slot, step, names);
    case 'notKeyed':
      return step.code === 'joinHeader' ? { ...job, machine: withUnkeyed(job, step) } : job;
    case 'knockedLoose':
      return job;
    case 'inTheWay': {
      const { fromRearMm: xMm, heightMm, movable, what, hasPlug } = found;
      const middle = openingMiddleMm(machine, valueOf(slot.opening) ?? 1);
      return {
        ...job,
        machine: withObstacle(machine, {
          name: what,
          xMm,
          yMm: middle - THING_MM.depthMm / 2,
          ...THING_MM,
          heightMm,
          movable,
          moving: movable ? names.moving : '',
          ...(movable && hasPlug
            ? { plugAt: { xMm: xMm + THING_MM.widthMm / 2, yMm: middle } }
            : {}),
        }),
      };
    }
    case 'coverStuck': {
      const number = 'opening' in step.values ? step.values.opening : (valueOf(slot.opening) ?? 1);
      return {
        ...job,
        machine: withObstacle(machine, plateAt(machine, number, names.stuckCover(number))),
      };
    }
    case 'slotBroken':
      return {
        ...job,
        machine: {
          ...machine,
          slots: machine.slots.map((each) =>
            each.id === slot.id ? { ...each, state: known('dead', 'bench') } : each,
          ),
        },
      };
    case 'bracketWrong':
      return withCard(job, slot.id, (card) => ({ ...card, brackets: [card.bracketMounted] }));
    case 'cardLonger':
      return withCard(job, slot.id, (card) => ({ ...card, lengthMm: found.mm }));
    case 'screwMissing':
      return { ...job, machine: withoutScrews(machine, slot) };
    case 'boxShort':
      return withCard(job, slot.id, (card) => ({
        ...card,
        contents: card.contents.filter(
          ({ kind, fits }) => kind !== found.missing.kind || fits !== found.missing.fits,
        ),
      }));
  }
}

/** What is bought where a lead between things that stand where they stand is too short. */
const LONGER: Readonly<
  Partial<Record<StepCode, { readonly kind: Extra['kind']; readonly lead: LongerLead }>>
> = {
  joinDrives: { kind: 'driveCable', lead: 'data' },
  joinDriveEnds: { kind: 'driveCable', lead: 'data' },
  feedDrives: { kind: 'powerLead', lead: 'power' },
  joinRear: { kind: 'outsideLead', lead: 'outside' },
};

/** A lead that is too short for where the plan has it: another header, another slot, or a longer one. */
function withLeadShort(job: Job, slot: Slot, step: Step, mm: number): Job {
  const { machine } = job;
  if (step.code === 'joinHeader') {
    const { header } = step.values;
    return withCard(job, slot.id, (card) => ({
      ...card,
      boardLeads: card.boardLeads.map((lead) =>
        lead.type === header ? { ...lead, lengthMm: Math.min(lead.lengthMm, mm) } : lead,
      ),
    }));
  }
  if (step.code !== 'joinFront') return { ...job, machine: withShortLead(job, slot, step, mm) };
  // So far from the rear edge it ends; the card's header stands nearer.
  const { lead: type } = step.values;
  const leads = valueOf(machine.case.frontLeads) ?? [];
  return {
    ...job,
    machine: {
      ...machine,
      case: {
        ...machine.case,
        frontLeads: known(
          leads.map((each) => (each.type === type ? { ...each, nearestMm: mm } : each)),
          'bench',
        ),
      },
    },
  };
}

/** The header that the plan has for this lead, or all of its kind. */
function withoutHeader(
  job: Job,
  step: Extract<Step, { code: 'joinHeader' }>,
  all: boolean,
): Machine {
  const { machine } = job;
  const headers = valueOf(machine.headers) ?? [];
  const taken = headerOf(job, step);
  return {
    ...machine,
    headers: known(
      headers.filter((each) => (all ? each.type !== step.values.header : each !== taken)),
      'bench',
    ),
  };
}

const headerOf = (job: Job, { slotId, values }: Extract<Step, { code: 'joinHeader' }>) =>
  assemblyOf(job)
    .cards.find(({ slot }) => slot.id === slotId)
    ?.headers.find(({ type }) => type === values.header);

const withUnkeyed = (job: Job, step: Extract<Step, { code: 'joinHeader' }>): Machine => {
  const taken = headerOf(job, step);
  return {
    ...job.machine,
    headers: known(
      (valueOf(job.machine.headers) ?? []).map((each) =>
        each === taken ? { ...each, unkeyed: true as const } : each,
      ),
      'bench',
    ),
  };
};

/** Of the board's header, or of the card's own. */
function withBentPin(job: Job, slot: Slot, step: Step, names: FoundNames): Job {
  if (step.code === 'joinHeader') {
    const { header } = step.values;
    const machine = withoutHeader(job, step, false);
    const id = `damage-${freeNumber(machine.damage, (n) => `damage-${n}`, 1)}`;
    return {
      ...job,
      machine: { ...machine, damage: [...machine.damage, { id, what: names.bentPin(header) }] },
    };
  }
  if (step.code !== 'joinFront') return job;
  const { lead } = step.values;
  return withCard(job, slot.id, (card) => ({
    ...card,
    frontHeaders: card.frontHeaders.filter(({ type }) => type !== lead),
  }));
}

/** What closes an opening for good. */
export const plateAt = (machine: Machine, number: number, name: string): NewObstacle => ({
  name,
  xMm: 0,
  yMm: openingMiddleMm(machine, number) - COVER_MM.depthMm / 2,
  ...COVER_MM,
  movable: false,
  moving: '',
});

const withCard = (job: Job, slotId: string, change: (card: Card) => Card): Job =>
  job.plan === null
    ? job
    : {
        ...job,
        plan: {
          ...job.plan,
          placements: job.plan.placements.map((each) =>
            each.slotId === slotId ? { ...each, card: change(each.card) } : each,
          ),
        },
      };

type NewObstacle = Omit<Machine['obstacles'][number], 'id' | 'kind'>;
export const withObstacle = (machine: Machine, obstacle: NewObstacle): Machine => ({
  ...machine,
  obstacles: [
    ...machine.obstacles,
    { id: `found${freeNumber(machine.obstacles, (n) => `found${n}`)}`, kind: 'other', ...obstacle },
  ],
});

const inHousing = (
  machine: Machine,
  enclosureId: string | null,
  change: (part: Pick<Machine, 'case' | 'supply'>) => Partial<Pick<Machine, 'case' | 'supply'>>,
): Machine =>
  enclosureId === null
    ? { ...machine, ...change(machine) }
    : {
        ...machine,
        enclosures: machine.enclosures.map((box) =>
          box.id === enclosureId ? { ...box, ...change(box) } : box,
        ),
      };

const withoutScrews = (machine: Machine, { enclosureId, bus }: Slot): Machine =>
  inHousing(machine, enclosureId, ({ case: room }) => ({
    case:
      bus === 'm2'
        ? { ...room, spareModuleScrews: known(0, 'bench') }
        : { ...room, spareScrews: known(0, 'bench') },
  }));

/** The plug that the plan has for this socket reaches no farther than was seen, and others of its kind neither. */
function withShortLead(job: Job, slot: Slot, step: Step, mm: number): Machine {
  const card = assemblyOf(job).cards.find((each) => each.slot.id === slot.id);
  const number = step.on.socket ?? 0;
  const [taken] = card?.feeds[number]?.plugs ?? [];
  const { supply } = machineAround(slot, job.machine);
  const type = taken === undefined ? card?.card.sockets[number] : plugsOf(supply)[taken]?.type;
  return inHousing(job.machine, slot.enclosureId, ({ supply: of }) => ({
    supply: {
      ...of,
      plugs: known(
        (valueOf(of.plugs) ?? []).map((each) =>
          each.type === type ? { ...each, reachMm: mm } : each,
        ),
        'bench',
      ),
    },
  }));
}
