/** Parts of the machine itself that are not in it yet, and leads of which an end is loose, or may be. */
import type { InnerLead } from '../../parts/innerLead.ts';
import type { Machine } from '../../document/machine.ts';
import { leadRow, type LeadEndKind, type MachinePart } from '../../standards/innerLeads.ts';
import { step, type CautionCode, type StepValues } from '../step.ts';
import { act, type Act, move, thing } from './act.ts';

/** What goes on the board while it still lies beside the case: there is room for both hands. */
const ON_BOARD: ReadonlySet<MachinePart> = new Set(['processor', 'cooler', 'memory']);

const PART_CAUTIONS: Readonly<Partial<Record<MachinePart, readonly CautionCode[]>>> = {
  supply: ['mains', 'localRules'],
  processor: ['bentPins'],
  memory: ['noForce'],
  board: ['noForce'],
};

export const machineWork = ({ leads, toFit }: Machine): readonly Act[] => [
  ...toFit.map((part) => {
    const isBeside = ON_BOARD.has(part) && toFit.includes('board');
    return act(
      step(
        isBeside ? 'fitOnBoard' : 'fitInCase',
        { part },
        { on: { what: part }, cautions: PART_CAUTIONS[part] ?? [] },
      ),
      {
        ...(part === 'processor' || part === 'memory' ? { tool: null } : {}),
        moves: [move(thing('part', part), 'inPlace')],
      },
    );
  }),
  ...toldApart(leads).flatMap((lead) =>
    lead.ends.flatMap((end, n) =>
      end.joined?.value === true || end.barred !== undefined
        ? []
        : [...settingDrive(lead, n), joiningEnd(lead, n)],
    ),
  ),
];

/** Leads of one kind without a name are numbered, and so are ends of one lead that plug into the same. */
const toldApart = (leads: readonly InnerLead[]): readonly InnerLead[] =>
  leads.map((lead, n) => {
    const same = leads.filter(({ kind, name }) => kind === lead.kind && name === lead.name);
    const number = leads.slice(0, n + 1).filter((each) => same.includes(each)).length;
    const { ends: kinds } = leadRow(lead.kind);
    return {
      ...lead,
      name: same.length > 1 ? `${lead.name} ${number}`.trim() : lead.name,
      ends: lead.ends.map((end, at) =>
        end.at === '' && kinds.filter((kind) => kind === kinds[at]).length > 1
          ? { ...end, at: `plug ${at}` }
          : end,
      ),
    };
  });

/** Two drives on one ribbon are told apart before they are in. */
function settingDrive({ id, kind, name, ends }: InnerLead, n: number): readonly Act[] {
  const { drivesBy, ends: kinds } = leadRow(kind);
  const isDrive = kinds[n] === 'endDrive' || kinds[n] === 'middleDrive';
  if (drivesBy === undefined || !isDrive) return [];
  const how = drivesBy === 'position' ? 'position' : kinds[n] === 'endDrive' ? 'first' : 'second';
  return [
    act(
      step(
        'setDrive',
        { lead: kind, name, at: ends[n]?.at ?? '', how },
        { on: { lead: id, socket: n } },
      ),
    ),
  ];
}

function joiningEnd({ id, kind, name, ends, unkeyed }: InnerLead, n: number): Act {
  const { ends: kinds, guard, colours } = leadRow(kind);
  const values: StepValues['joinEnd'] = {
    lead: kind,
    name,
    end: kinds[n] ?? 'board',
    at: ends[n]?.at ?? '',
    colour: colours?.[n] ?? '',
    isLoose: ends[n]?.joined?.value === false,
  };
  const isMarked = guard === 'pinOne' || unkeyed === true;
  return act(
    step('joinEnd', values, {
      on: { lead: id, socket: n },
      cautions: isMarked ? ['pinOne'] : guard === 'polarity' ? ['polarity'] : [],
    }),
    { moves: [move(thing('lead', `${id}/${n}`, name || kind), 'inPlace')] },
  );
}

/** Ends that go into a drive wait until it is in. */
export const AT_DRIVES: ReadonlySet<LeadEndKind> = new Set([
  'drive',
  'endDrive',
  'middleDrive',
  'discDrive',
]);
