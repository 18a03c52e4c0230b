/** Backups: everything comes back as it was, whatever is damaged is said with its place, and a merge loses nothing. */
import { createHash } from 'node:crypto';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import * as fc from 'fast-check';
import {
  BackupWriter,
  differences,
  displaced,
  merged,
  readBackup,
  replaced,
  type StoreChange,
  type StoredItem,
} from '../../src/core/backup/index.ts';
import { apply } from '../../src/core/commands/index.ts';
import { readKeptList, readStoredJob, writeKeptList } from '../../src/core/read/index.ts';
import type { Card, Job } from '../../src/core/document/index.ts';
import { AT, aCard, aJob, aMachine, aSlot, usbNeed } from '../builders/parts.ts';
import { soaked } from '../builders/soak.ts';

const nameCopy = (title: string): string => `${title} *`;

const SEED = Number(process.env['SEED'] ?? 20261125);
const LISTS = { cards: 'own-cards', extras: 'own-extras', templates: 'own-templates' };

const FIRST_FORMAT = new URL('../data/backup-format-1.zip', import.meta.url);

const sha256 = (bytes: Uint8Array): Promise<string> =>
  Promise.resolve(createHash('sha256').update(bytes).digest('hex'));

async function backupOf(items: readonly StoredItem[]): Promise<Uint8Array> {
  const writer = new BackupWriter(sha256);
  for (const item of items) await writer.add(item);
  return writer.finish(AT, '0.1.0-test');
}

const job = (id: string, title: string): Job => ({ ...aJob(), id, title });
const stored = (of: Job): StoredItem => ({ store: 'jobs', key: of.id, value: of });
/** A photograph that is none, of the letters that a real one has. */
const picture = (n: number): string =>
  `data:image/jpeg;base64,${Buffer.from(Uint8Array.from({ length: 3000 + (n % 7) }, (_, k) => (k * (n + 31)) & 0xff)).toString('base64')}`;

const someStore = (jobs: number, pictures: number): readonly StoredItem[] => [
  ...Array.from({ length: jobs }, (_, n) => stored(job(`job-${n}`, `Job ${n}`))),
  ...Array.from({ length: pictures }, (_, n): StoredItem => ({
    store: 'pictures',
    key: `picture-${n}`,
    value: picture(n),
  })),
  { store: 'shelf', key: 'own-cards', value: writeKeptList([aCard()]) },
  { store: 'shelf', key: 'money', value: { currency: 'EUR', taxPoints: 2000 } },
  { store: 'shelf', key: 'pci-ids', value: '#\tList of PCI ID’s\n' },
  { store: 'bin', key: 'b1', value: { key: 'b1', kind: 'job', record: { half: 'a job' } } },
  // What does not validate is kept all the same.
  { store: 'jobs', key: 'no job/at all?', value: { needs: 'many' } },
];

describe('A backup', () => {
  const [jobs, pictures] = soaked([40, 15], [500, 200]);

  it(`brings ${jobs} jobs and ${pictures} photographs back as they were, each part by its SHA-256`, async () => {
    const items = someStore(jobs, pictures);
    const bytes = await backupOf(items);
    const { backup, problems } = await readBackup(bytes, sha256);
    expect(problems).to.deep.equal([]);
    expect(backup?.items).to.deep.equal(items);
    expect(backup?.manifest.counts).to.deep.equal({ jobs: jobs + 1, pictures, shelf: 3, bin: 1 });
    // The same store gives the same file.
    expect(Buffer.compare(bytes, await backupOf(items))).to.equal(0);
  });

  it('of the first format is read, with everything that was in it', async () => {
    const file = new Uint8Array(readFileSync(FIRST_FORMAT));
    const { backup, problems } = await readBackup(file, sha256);
    expect(problems).to.deep.equal([]);
    expect(backup?.manifest).to.deep.include({
      format: 1,
      counts: { jobs: 2, pictures: 1, shelf: 1, bin: 0 },
    });
    const jobsInIt = backup!.items.filter(({ store }) => store === 'jobs');
    expect(jobsInIt.flatMap(({ value }) => readStoredJob(value).problems)).to.deep.equal([]);
    const cards = backup!.items.find(({ key }) => key === 'own-cards')?.value;
    expect(readKeptList('cards', cards).items).to.have.length(4);
  });

  it('is a zip that Python’s zipfile reads, with photographs as they are', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'tenant-backup-'));
    const file = join(folder, 'backup.zip');
    writeFileSync(file, await backupOf(someStore(3, 2)));
    const code =
      'import zipfile,hashlib,json,sys;z=zipfile.ZipFile(sys.argv[1]);m=json.loads(z.read("manifest.json"));' +
      'print(z.testzip(),all(hashlib.sha256(z.read(p["path"])).hexdigest()==p["sha256"] for p in m["parts"]),len(z.namelist()))';
    expect(execFileSync('python3', ['-c', code, file], { encoding: 'utf8' }).trim()).to.equal(
      'None True 12',
    );
    rmSync(folder, { recursive: true });
  });

  it('that is damaged, cut short, newer or something else says so with its place', async () => {
    const bytes = await backupOf(someStore(5, 2));
    const codes = async (damaged: Uint8Array) =>
      (await readBackup(damaged, sha256)).problems.map(({ code }) => code);
    expect(await codes(bytes.subarray(0, bytes.length / 2))).to.deep.equal(['backup.cut']);
    expect(await codes(new Uint8Array())).to.deep.equal(['backup.notABackup']);
    expect(await codes(Buffer.from('{"kind":"tenant-job"}'))).to.deep.equal(['backup.notABackup']);
    const parts = someStore(5, 2);
    let summed = 0;
    const writer = new BackupWriter((part) =>
      (summed += 1) === 1 ? Promise.resolve('0'.repeat(64)) : sha256(part),
    );
    for (const item of parts) await writer.add(item);
    const wrong = await readBackup(await writer.finish(AT, 'x'), sha256);
    expect(wrong.problems[0]).to.include({ code: 'backup.partDamaged', at: 'jobs/job-0.json' });
    const text = Buffer.from(bytes).toString('latin1');
    const at = text.indexOf('pictures/picture-0.jpeg');
    const hurt = Uint8Array.from(bytes);
    hurt[at + 200] = (hurt[at + 200] ?? 0) ^ 0xff;
    expect((await readBackup(hurt, sha256)).problems[0]).to.include({
      code: 'backup.partDamaged',
      at: 'pictures/picture-0.jpeg',
    });
  });

  it(`is read whole or refused with a place, wherever it is damaged (seed ${SEED})`, async () => {
    const first = new Uint8Array(readFileSync(FIRST_FORMAT));
    const whole: readonly (readonly [Uint8Array, number])[] = [
      [await backupOf(someStore(4, 2)), soaked(400, 20_000)],
      [first, soaked(200, 10_000)],
    ];
    for (const [bytes, runs] of whole) await damagedOftenEnough(bytes, runs);
  });

  async function damagedOftenEnough(bytes: Uint8Array, numRuns: number): Promise<void> {
    const items = (await readBackup(bytes, sha256)).backup!.items;
    const damage = fc.tuple(
      fc.integer({ min: 0, max: bytes.length - 1 }),
      fc.integer({ min: 1, max: 255 }),
      fc.constantFrom('flip', 'cut', 'leave out'),
    );
    for (const [place, by, how] of fc.sample(damage, {
      numRuns,
      seed: SEED,
    })) {
      const hurt =
        how === 'cut'
          ? bytes.slice(0, place)
          : how === 'leave out'
            ? Buffer.concat([bytes.subarray(0, place), bytes.subarray(place + by)])
            : Uint8Array.from(bytes, (byte, n) => (n === place ? byte ^ by : byte));
      const { backup, problems } = await readBackup(hurt, sha256);
      // A flipped bit in what says nothing – a date of a part – leaves everything as it was.
      if (backup !== null) expect(backup.items).to.deep.equal(items);
      else {
        expect(problems.length).to.be.greaterThan(0);
        expect(
          problems.every(({ at, offset }) => at !== undefined || offset !== undefined),
        ).to.equal(true);
      }
    }
  }
});

/** What was done to one job since both stores were one, from which everything else follows. */
interface Fate {
  readonly id: string;
  readonly here: 'gone' | number;
  readonly there: 'gone' | number;
}

const edited = (of: Job, edits: number, by: string): Job =>
  Array.from({ length: edits }).reduce<Job>(
    (before, _, n) =>
      apply(
        before,
        { name: 'setBudget', cents: n * 100 + by.length },
        {
          at: `2026-11-2${n % 9}T10:0${n % 6}:00.000Z`,
          who: by,
        },
      ),
    of,
  );

const fate: fc.Arbitrary<Omit<Fate, 'id'>> = fc.record({
  here: fc.oneof(fc.constant('gone' as const), fc.integer({ min: 0, max: 4 })),
  there: fc.oneof(fc.constant('gone' as const), fc.integer({ min: 0, max: 4 })),
});
const apart = fc.record({
  fates: fc.array(fate, { maxLength: 12 }),
  cardsHere: fc.uniqueArray(fc.integer({ min: 0, max: 6 })),
  cardsThere: fc.uniqueArray(fc.integer({ min: 0, max: 6 })),
});

/** The stores after a change, by place. */
function changed(here: readonly StoredItem[], { write, remove }: StoreChange) {
  const after = new Map(here.map((item) => [`${item.store}/${item.key}`, item.value]));
  for (const { store, key } of remove) after.delete(`${store}/${key}`);
  for (const { store, key, value } of write) after.set(`${store}/${key}`, value);
  return after;
}

describe('A merge', () => {
  const runs = soaked(60, 300);

  it(`does what was done on both sides, told job by job, in ${runs} pairs of stores (seed ${SEED})`, () => {
    for (const { fates, cardsHere, cardsThere } of fc.sample(apart, {
      numRuns: runs,
      seed: SEED,
    })) {
      const known = fates.map((each, n): Fate => ({ ...each, id: `job-${n}` }));
      const base = (id: string) =>
        edited({ ...job(id, `Job ${id}`), needs: [usbNeed(1)] }, 2, 'both');
      const side = (of: 'here' | 'there', cards: readonly number[]): StoredItem[] => [
        ...known.flatMap((each) => {
          const edits = each[of];
          return edits === 'gone' ? [] : [stored(edited(base(each.id), edits, of))];
        }),
        {
          store: 'shelf',
          key: 'own-cards',
          value: writeKeptList(
            cards.map((n) => ({ ...aCard({ id: `c${n}` }), model: `of ${of}` })),
          ),
        },
      ];
      const [here, there] = [side('here', cardsHere), side('there', cardsThere)];
      let copies = 0;
      const after = changed(
        here,
        merged(here, there, LISTS, new Map(), () => `copy-${(copies += 1)}`, nameCopy),
      );

      // The slow obvious way: from what was done, job by job.
      const standings = new Map(
        differences(here, there, LISTS).map(({ id, standing }) => [id, standing]),
      );
      let both = 0;
      for (const { id, here: mine, there: theirs } of known) {
        const place = `jobs/${id}`;
        const [a, b] = [mine, theirs].map((edits, n) =>
          edits === 'gone' ? undefined : edited(base(id), edits, n === 0 ? 'here' : 'there'),
        );
        if (b === undefined) expect(standings.get(place)).to.equal(undefined);
        else if (a === undefined) expect(standings.get(place)).to.equal('new');
        else if (mine === 0 && theirs === 0) expect(standings.get(place)).to.equal('same');
        else if (mine === 0) expect(standings.get(place)).to.equal('newer');
        else if (theirs === 0) expect(standings.get(place)).to.equal('older');
        else expect(standings.get(place)).to.equal('bothChanged');
        const parted = a !== undefined && b !== undefined && mine !== 0 && theirs !== 0;
        both += Number(parted);
        const expected = a === undefined ? b : parted || mine !== 0 ? a : (b ?? a);
        expect(after.get(place)).to.deep.equal(expected);
        if (parted) {
          const copy = [...after.values()].find(
            (value) => (value as Job).title === nameCopy(b.title),
          ) as Job;
          expect({ ...copy, id: b.id, title: b.title }).to.deep.equal(b);
        }
      }
      expect(copies).to.equal(both);
      // Cards that both have stay as they are here; the others come in behind.
      const { items } = after.get('shelf/own-cards') as { items: Card[] };
      expect(items.map(({ id, model }) => [id, model])).to.deep.equal([
        ...cardsHere.map((n) => [`c${n}`, 'of here']),
        ...cardsThere.filter((n) => !cardsHere.includes(n)).map((n) => [`c${n}`, 'of there']),
      ]);
    }
  });

  it('keeps two photographs of one id apart, and the jobs with theirs', () => {
    const photo = { id: 'p', slotId: 's1', words: '', takenAt: AT };
    const { machine } = aJob({ name: 'takeTemplate', machine: aMachine([aSlot(1)]) });
    const withPhoto = (id: string) => stored({ ...job(id, id), machine, photos: [photo] });
    const here: StoredItem[] = [withPhoto('a'), { store: 'pictures', key: 'p', value: picture(1) }];
    const there: StoredItem[] = [
      withPhoto('b'),
      { store: 'pictures', key: 'p', value: picture(2) },
    ];
    const after = changed(
      here,
      merged(here, there, LISTS, new Map(), () => 'q', nameCopy),
    );
    expect((after.get('jobs/a') as Job).photos[0]?.id).to.equal('p');
    expect((after.get('jobs/b') as Job).photos[0]?.id).to.equal('q');
    expect([after.get('pictures/p'), after.get('pictures/q')]).to.deep.equal([
      picture(1),
      picture(2),
    ]);
  });

  it('takes the backup’s, or keeps what is here, on the technician’s word', () => {
    const [mine, theirs] = [edited(job('a', 'A'), 1, 'here'), edited(job('a', 'A'), 2, 'there')];
    const take = (taking: 'here' | 'there') =>
      changed(
        [stored(mine)],
        merged(
          [stored(mine)],
          [stored(theirs)],
          LISTS,
          new Map([['jobs/a', taking]]),
          () => 'x',
          nameCopy,
        ),
      );
    expect(take('here').get('jobs/a')).to.deep.equal(mine);
    expect(take('there').get('jobs/a')).to.deep.equal(theirs);
  });

  it('made whole has everything as the backup has it, and what gave way in the bin', () => {
    const here = [stored(job('a', 'A')), stored(job('b', 'B')), ...someStore(0, 1)];
    const there = [stored(job('b', 'Other B')), stored(job('c', 'C'))];
    expect(displaced(here, there, LISTS).map(({ id }) => id)).to.include.members([
      'jobs/a',
      'jobs/b',
      'cards/card',
    ]);
    let bins = 0;
    const after = changed(
      here,
      replaced(here, there, LISTS, () => `bin-${(bins += 1)}`, AT),
    );
    expect([...after.keys()].filter((key) => key.startsWith('jobs/'))).to.have.members([
      'jobs/b',
      'jobs/c',
    ]);
    expect(after.get('jobs/b')).to.deep.include({ title: 'Other B' });
    const binned = [...after].flatMap(([key, value]) =>
      key.startsWith('bin/bin-') ? [(value as { name: string }).name] : [],
    );
    expect(binned).to.include.members(['A', 'B']);
  });
});

describe('What no backup could be read with', () => {
  it('is left out and said; keys of any sensible length come back', async () => {
    const writer = new BackupWriter(sha256);
    const long = stored({ ...job('j', 'Long'), id: 'j' });
    expect(await writer.add({ ...long, key: 'k'.repeat(201) })).to.equal(true);
    expect(await writer.add({ ...long, key: '☂'.repeat(4_096) })).to.equal(true);
    expect(await writer.add({ ...long, key: 'k'.repeat(4_097) })).to.equal(false);
    expect(await writer.add({ ...long, key: '' })).to.equal(false);
    const { backup, problems } = await readBackup(await writer.finish(AT, 'test'), sha256);
    expect(problems).to.deep.equal([]);
    expect(backup!.items.map(({ key }) => key.length)).to.deep.equal([201, 4_096]);
  });

  it('is refused from the directory, before any of it is unpacked', async () => {
    const bytes = Buffer.from(await backupOf(someStore(3, 0)));
    // The first part is damaged, which unpacking it would find; the last claims to be too large.
    const first = bytes.indexOf('PK\u0003\u0004');
    bytes.fill(0xff, first + 60, first + 90);
    const last = bytes.lastIndexOf('PK\u0001\u0002');
    bytes.writeUInt32LE(0x7fffffff, last + 24);
    const { problems } = await readBackup(bytes, sha256);
    expect(problems.map(({ code }) => code)).to.deep.equal(['backup.tooLarge']);
  });
});
