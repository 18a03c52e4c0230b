/** What may be kept at all: limits, keys and references; what is repaired, and what is dropped for it. */
import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import {
  Card,
  DriverPackage,
  Machine,
  emptyMachine,
  emptySlot,
  occupantNamed,
  type Job,
  enteredRun,
} from '../../src/core/document/index.ts';
import { Extra, known } from '../../src/core/parts/index.ts';
import { apply } from '../../src/core/commands/index.ts';
import {
  problemsOf,
  readJobFile,
  readKeptList,
  readStoredJob,
  repairedJob,
  repairedMachine,
  writeKeptList,
} from '../../src/core/read/index.ts';
import { steps } from '../../src/core/procedure/index.ts';
import { withValueAt } from '../../src/core/paths.ts';
import { writeSetAside } from '../../src/core/write/index.ts';
import { CARDS } from '../../demo/catalogue/cards.ts';
import { EXTRAS } from '../../demo/catalogue/extras.ts';
import { PACKAGES } from '../builders/library.ts';
import { demoJobs } from '../../demo/jobs.ts';
import { TEMPLATES } from '../../demo/machines.ts';
import { dataFile, todaysWords } from '../builders/olderFormats.ts';
import { AT, STAMP, aCard, aJob, aMachine, aSlot, told, usbNeed } from '../builders/parts.ts';

const data = (name: string): unknown => JSON.parse(dataFile(name));
const museum = readFileSync(
  new URL('../../demo/evidence/lighthouse-museum.lspci.txt', import.meta.url),
  'utf8',
);
const FALLBACK = { id: 'mended', at: AT };
const positions = (job: unknown) => readStoredJob(job).problems.map(({ at }) => at);

const planned = (): Job =>
  aJob(
    { name: 'takeTemplate', machine: aMachine([aSlot(1), aSlot(3)]) },
    { name: 'addNeed', need: usbNeed(4) },
    { name: 'acceptPlan', placements: [{ slotId: 's3', card: aCard() }], packages: [] },
  );

describe('A document', () => {
  it('holds no number that the trade does not know, wherever it stands', () => {
    const absurd = 1_000_000_000;
    for (const [path, value] of [
      ['machine.case.openings', told(absurd)],
      ['machine.slots.0.occupant', told({ ...occupantNamed('Card'), openings: told(absurd) })],
      ['machine.supply.plugs', told([{ type: 'sata', count: absurd }])],
      ['needs.0.ports', absurd],
      ['plan.placements.0.card.openings', absurd],
      ['machine.board', told({ widthMm: absurd, depthMm: 1, firstOpeningMm: 1 })],
      ['revision', Number.MAX_SAFE_INTEGER],
      ['budgetCents', absurd],
    ] as const) {
      const [found] = positions(put(planned(), path, value));
      expect(found, path).to.match(new RegExp(`^${path.replaceAll('.', '\\.')}`));
    }
  });

  it('holds no list longer than any machine has', () => {
    const slots = Array.from({ length: 3_000 }, (_, n) => emptySlot(`s${n}`, 'Slot'));
    expect(positions(put(aJob(), 'machine.slots', slots))).to.deep.equal(['machine.slots']);
    const needs = Array.from({ length: 100 }, (_, n) => ({ ...usbNeed(1), id: `n${n}` }));
    expect(positions(put(aJob(), 'needs', needs))).to.deep.equal(['needs']);
  });

  it('has keys of their own, and references that lead somewhere', () => {
    const job = planned();
    const [first] = job.machine.slots;
    const of = (machine: Partial<Machine>) => ({ ...job, machine: { ...job.machine, ...machine } });
    expect(positions(of({ slots: [...job.machine.slots, first!] }))).to.deep.equal([
      'machine.slots.2.id',
    ]);
    expect(positions(of({ slots: [first!] }))).to.deep.equal(['plan.placements.0.slotId']);
    expect(
      positions(of({ slots: job.machine.slots.map((slot) => ({ ...slot, enclosureId: 'none' })) })),
    ).to.deep.equal(['machine.slots.0.enclosureId', 'machine.slots.1.enclosureId']);
    expect(positions({ ...job, observations: [enteredRun('x', 1, AT)] })).to.deep.equal([
      'observations.0.subject.needId',
    ]);
    expect(positions({ ...job, needs: [usbNeed(1), usbNeed(2)] })).to.deep.equal(['needs.1.id']);
  });

  it('of the demo is within every limit: jobs, cards, extras, packages, templates', () => {
    for (const job of demoJobs(museum, PACKAGES)) expect(problemsOf(job), job.id).to.deep.equal([]);
    const sound = (
      schema: { safeParse(of: unknown): { error?: unknown } },
      all: readonly unknown[],
    ) => expect(all.flatMap((each) => schema.safeParse(each).error ?? [])).to.deep.equal([]);
    sound(Card, CARDS);
    sound(Extra, EXTRAS);
    sound(DriverPackage, PACKAGES);
    sound(Machine, TEMPLATES);
  });

  it('loses with a part what led to it, and nothing else', () => {
    const job = apply(
      apply(planned(), { name: 'addPin', pin: { kind: 'neverSlot', slotId: 's3' } }, STAMP),
      { name: 'addPin', pin: { kind: 'neverSlot', slotId: 's1' } },
      STAMP,
    );
    const without = { ...job.machine, slots: job.machine.slots.filter(({ id }) => id !== 's3') };
    const after = apply(job, { name: 'changeMachine', machine: without }, STAMP);
    expect(problemsOf(after)).to.deep.equal([]);
    expect(after.plan?.placements).to.deep.equal([]);
    expect(after.pins).to.deep.equal([{ kind: 'neverSlot', slotId: 's1' }]);
    expect(after.needs).to.equal(job.needs);
  });

  it('names its steps apart, whatever boxes and leads are called', () => {
    const box = {
      kind: 'other' as const,
      moving: '',
      xMm: 90,
      yMm: 215,
      widthMm: 10,
      depthMm: 5,
      heightMm: 20,
      movable: true,
    };
    const machine = {
      obstacles: [1, 2, 3].map((n) => ({
        ...box,
        id: `b${n}`,
        name: `${'Lead '.repeat(39)}${n}`,
        xMm: 80 + 11 * n,
      })),
    };
    const job = aJob(
      { name: 'takeTemplate', machine: aMachine([aSlot(1), aSlot(3)], machine) },
      { name: 'addNeed', need: usbNeed(4) },
      { name: 'acceptPlan', placements: [{ slotId: 's3', card: aCard() }], packages: [] },
    );
    const ids = steps(job).map(({ id }) => id);
    expect(ids.filter((id) => id.startsWith('moveObstacle')).length).to.be.greaterThan(1);
    expect(new Set(ids).size).to.equal(ids.length);
    const ticked = steps(job).reduce((all, of) => apply(all, { name: 'tickStep', of }, STAMP), job);
    expect(problemsOf(ticked)).to.deep.equal([]);
  });
});

describe('A record that does not validate', () => {
  it('is repaired: facts become unknown, parts of lists go, texts are shortened, and each is told', () => {
    const job = planned();
    const hurt = [
      ['machine.slots.1.powerWatts', { value: null, source: 'text' }],
      ['machine.slots.0.lanes', 7],
      [
        'machine.supply.plugs',
        told([
          { type: 'sata', count: 2 },
          { type: 'wrong', count: 1 },
        ]),
      ],
      ['machine.name', 'x'.repeat(300)],
      ['budgetCents', 'sixty'],
      ['needs.0.ports', -4],
    ].reduce<unknown>((record, [path, value]) => put(record, path as string, value), job);
    const { document, dropped } = repairedJob(hurt, FALLBACK);
    expect(dropped.map(({ at }) => at)).to.have.members([
      'budgetCents',
      'machine.name',
      'machine.slots.0.lanes',
      'machine.slots.1.powerWatts.value',
      'machine.supply.plugs.value.1.type',
      'needs.0.ports',
    ]);
    expect(document?.machine.slots.map(({ lanes }) => lanes?.value ?? null)).to.deep.equal([
      null,
      16,
    ]);
    expect(document?.machine.supply.plugs).to.equal(null);
    expect(document?.machine.name).to.equal('x'.repeat(200));
    expect(document?.needs).to.deep.equal([]);
    expect(document?.plan).to.deep.equal(job.plan);
    expect(document?.log).to.deep.equal(job.log);
  });

  it('is repaired where hardly anything is left of it, and not where nothing is', () => {
    const half = repairedJob({ id: 'sail-loft', title: 'Half a job', needs: 'many' }, FALLBACK);
    expect(half.document).to.include({ id: 'sail-loft', title: 'Half a job' });
    expect(half.document?.needs).to.deep.equal([]);
    expect(half.dropped.map(({ at }) => at)).to.include('needs');
    expect(repairedJob('a text', FALLBACK).document).to.equal(null);
    expect(repairedJob(null, FALLBACK).document).to.equal(null);
  });

  it('comes back from its export, and is repaired there too', () => {
    const hurt = { ...planned(), budgetCents: 'sixty' };
    const reading = readJobFile(writeSetAside(hurt));
    expect(reading.problems.map(({ at }) => at)).to.deep.equal(['record.budgetCents']);
    expect(reading.job === null && reading.record).to.deep.equal(hurt);
    expect(readJobFile(writeSetAside(planned())).job).to.deep.equal(planned());
  });

  it('leaves a sound machine the very same value', () => {
    for (const { machine } of demoJobs(museum, PACKAGES))
      expect(repairedMachine(machine)).to.deep.equal({ document: machine, dropped: [] });
    const { document, dropped } = repairedMachine({
      ...emptyMachine('Tower'),
      slots: [{ ...emptySlot('s1', 'Slot 1'), lanes: known(4_000, 'text') }],
    });
    expect(document?.slots[0]?.lanes).to.equal(null);
    expect(dropped.map(({ at }) => at)).to.deep.equal([
      'machine.slots.0.lanes'.slice(8) + '.value',
    ]);
  });
});

describe('The shop’s own lists', () => {
  it('of every earlier format are read without loss', () => {
    for (const format of [2, 3, 4, 5]) {
      const record = data(`templates-job-format-${format}`) as Templates | { items: Templates };
      const before = 'items' in record ? record.items : record;
      const { items, refused } = readKeptList('templates', record);
      expect(refused).to.deep.equal([]);
      expect(items.map(({ name, slots }) => [name, slots.length])).to.deep.equal(
        before.map(({ name, slots }) => [name, slots.length]),
      );
      for (const [n, item] of items.entries())
        expect(item).to.deep.include(todaysWords(untouched(before[n]!)));
    }
    const cards = data('cards-job-format-4') as unknown[];
    expect(readKeptList('cards', cards)).to.deep.equal({
      items: todaysWords(cards),
      refused: [],
      newer: null,
    });
    const extras = data('extras-job-format-4') as unknown[];
    expect(readKeptList('extras', extras).items).to.deep.equal(extras);
  });

  it('keep what no longer reads, and are not touched where a newer program wrote them', () => {
    const kept = [aCard(), { ...aCard({ id: 'absurd' }), openings: 1e9 }];
    const { items, refused } = readKeptList('cards', writeKeptList(kept));
    expect(items).to.deep.equal([aCard()]);
    expect(refused.map(({ item }) => item)).to.deep.equal([kept[1]]);
    expect(refused[0]?.problems[0]?.at).to.equal('openings');
    // Looking and keeping again drops nothing.
    const again = writeKeptList(
      items,
      refused.map(({ item }) => item),
    );
    expect(readKeptList('cards', again)).to.deep.equal({ items, refused, newer: null });
    const newer = readKeptList('cards', { ...writeKeptList(kept), format: 99 });
    expect(newer.items).to.deep.equal([]);
    expect(newer.newer).to.include({ code: 'file.newer', found: '99' });
    for (const nothing of [null, undefined, 'text', {}, 7])
      expect(readKeptList('templates', nothing).items).to.deep.equal([]);
  });
});

/** The record with a value put at a path, places in lists included. */
function put(record: unknown, path: string, value: unknown): unknown {
  const [key = '', ...rest] = path.split('.');
  if (rest.length === 0 && !Array.isArray(record)) return withValueAt(record as object, key, value);
  const below = (record as Record<string, unknown>)[key];
  const changed = rest.length === 0 ? value : put(below, rest.join('.'), value);
  return Array.isArray(record)
    ? record.map((each: unknown, n) => (String(n) === key ? changed : each))
    : { ...(record as object), [key]: changed };
}

/** The fields of an old template that no later format has changed. */
type Templates = readonly { readonly name: string; readonly slots: readonly unknown[] }[];

function untouched(template: object): object {
  const { name, board, conditions, screens } = template as Machine;
  return { name, board, conditions, screens };
}
