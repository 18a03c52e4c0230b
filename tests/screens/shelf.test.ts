/** What lies beside the jobs is read by its schema, whatever lies there; what does not read goes into the bin as it is. */
import '../builders/browser.ts';
import { expect } from 'chai';
import * as fc from 'fast-check';
import { BinEntry, SHELF, isTakable, type ShelfKey, type StoredItem } from '$core/backup';
import { readRows } from '$lib/state/jobStore';
import { carryOnRestore, keptItems, takeIn } from '$lib/state/restore';
import { shelved } from '$lib/state/shelf';
import {
  binRecords,
  changing,
  incomingRecords,
  jobRecords,
  restoring,
  rowRecords,
  shelfRecords,
  troubleOf,
} from '$lib/state/stores';

const SEED = Number(process.env['SEED'] ?? 20261201);
const KEYS = Object.keys(SHELF) as readonly ShelfKey[];
/** Read by readers of their own, which take anything. */
const ANYTHING = ['own-cards', 'own-extras', 'own-templates', 'catalogue', 'drivers', 'templates'];

describe('The shelf', () => {
  beforeEach(() => Promise.all([shelfRecords.clear(), binRecords.clear()]));

  it(`hands out nothing that does not read, and loses nothing of it (seed ${SEED})`, async () => {
    const junk = fc.oneof(
      fc.jsonValue(),
      fc.record({ at: fc.oneof(fc.string(), fc.integer()), revisions: fc.jsonValue() }),
      fc.record({ currency: fc.string(), taxPoints: fc.oneof(fc.integer(), fc.double()) }),
    );
    let aside = 0;
    for (const value of fc.sample(junk, { numRuns: 60, seed: SEED }))
      for (const key of KEYS) {
        if (value === null) continue;
        await shelfRecords.put(key, value);
        const read = await shelved(key);
        if (ANYTHING.includes(key)) expect(read).to.deep.equal(value);
        else if (read === null) {
          aside += 1;
          expect(await shelfRecords.get(key)).to.equal(null);
        }
      }
    const binned = (await binRecords.entries()).map(([, entry]) => BinEntry.parse(entry));
    expect(binned.length).to.equal(aside);
    expect(new Set(binned.map(({ kind }) => kind))).to.deep.equal(new Set(['setting']));
    expect(aside).to.be.greaterThan(200);
  });

  it('with a last backup of no date has none', async () => {
    await shelfRecords.put('last-backup', { at: 'yesterday', revisions: {} });
    expect(await shelved('last-backup')).to.equal(null);
    expect(
      (await binRecords.entries()).map(([, entry]) => BinEntry.parse(entry).name),
    ).to.deep.equal(['last-backup']);
  });
});

describe('A backup that is taken in', () => {
  const thing = (store: StoredItem['store'], key: string, value: unknown): StoredItem => ({
    store,
    key,
    value,
  });

  it('brings only what a backup makes, and of that only what reads', () => {
    const entry = {
      key: 'b',
      kind: 'job',
      name: 'x',
      deletedAt: '2026-12-01T00:00:00.000Z',
      record: 1,
    };
    const taken = [
      thing('shelf', 'money', { currency: 'EUR', taxPoints: 2_000 }),
      thing('shelf', 'own-cards', []),
      thing('bin', 'b', entry),
      // Set aside there as it would be here.
      thing('jobs', 'half', { half: 'a job' }),
    ];
    const left = [
      thing('shelf', 'last-backup', { at: '2026-12-01T00:00:00.000Z', revisions: {} }),
      thing('shelf', 'backup-folder', { name: 'C:' }),
      thing('shelf', 'demo-seeded', true),
      thing('shelf', 'something-else', 1),
      thing('shelf', '__proto__', 1),
      thing('shelf', 'money', { currency: 'euro', taxPoints: 2_000 }),
      thing('bin', 'b', { ...entry, deletedAt: undefined }),
      thing('bin', 'other', entry),
    ];
    expect(taken.filter((item) => !isTakable(item))).to.deep.equal([]);
    expect(left.filter(isTakable)).to.deep.equal([]);
  });

  it('is written in batches, and whole', async () => {
    const write = Array.from({ length: 137 }, (_, n) => thing('jobs', `job-${n}`, { n }));
    await jobRecords.clear();
    await jobRecords.put('gone', 1);
    await rowRecords.put('job-3', 'old row');
    const told: number[] = [];
    await takeIn({ write, remove: [{ store: 'jobs', key: 'gone' }] }, (done) => told.push(done));
    expect(told.at(-1)).to.equal(2 * 138);
    const kept: StoredItem[] = [];
    for await (const item of keptItems()) if (item.store === 'jobs') kept.push(item);
    const byKey = (a: StoredItem, b: StoredItem) => a.key.localeCompare(b.key);
    expect(kept.toSorted(byKey)).to.deep.equal(write.toSorted(byKey));
    expect(await rowRecords.get('job-3')).to.equal(null);
  });
});

describe('A restore that is not finished', () => {
  it('is carried on at the next start from what was laid down', async () => {
    await jobRecords.clear();
    await incomingRecords.clear();
    await incomingRecords.putAll(
      Array.from({ length: 40 }, (_, n) => [
        String(n).padStart(9, '0'),
        { store: 'jobs', key: `late-${n}`, value: { n }, isRemoved: false },
      ]),
    );
    // Without the word that it counts it is swept away.
    await carryOnRestore();
    expect(await jobRecords.count()).to.equal(0);
    expect(await incomingRecords.count()).to.equal(0);
    await incomingRecords.putAll(
      Array.from({ length: 40 }, (_, n) => [
        String(n).padStart(9, '0'),
        { store: 'jobs', key: `late-${n}`, value: { n }, isRemoved: false },
      ]),
    );
    await incomingRecords.put('counts', 40);
    await carryOnRestore();
    expect(await jobRecords.count()).to.equal(40);
    expect(await incomingRecords.count()).to.equal(0);
  });

  it('lets nothing be changed that its end would write over, and says so', async () => {
    restoring.isUnfinished = true;
    try {
      await changing('job-x', () => Promise.resolve());
      expect.fail('changed');
    } catch (error) {
      expect(await troubleOf(error)).to.equal('unfinished');
    } finally {
      restoring.isUnfinished = false;
    }
  });
});

describe('The list of jobs', () => {
  it('makes rows anew that do not look like rows', async () => {
    await jobRecords.clear();
    await jobRecords.put('a', {});
    for (const row of [1, {}, { id: 'a', revision: 1, title: 'x', customer: null }]) {
      await rowRecords.put('a', row);
      expect(await readRows()).to.deep.equal({ rows: [], unread: ['a'] });
    }
  });
});

describe('A failure', () => {
  it('that is not the store’s is not called a full disk', async () => {
    await jobRecords.count();
    expect(await troubleOf(new TypeError('x is not a function'))).to.equal('damaged');
    expect(await troubleOf(new DOMException('no room', 'QuotaExceededError'))).to.equal('full');
    expect(await troubleOf(new DOMException('disk', 'UnknownError'))).to.equal('full');
  });
});
