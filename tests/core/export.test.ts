/** What goes out of the house: nothing that was not ticked, wherever it stands and however it is written; and what stayed is told. */
import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import { Job } from '../../src/core/document/index.ts';
import { exportOf, forExport, type ExportChoice } from '../../src/core/write/index.ts';
import { problemsOf, readJobFile } from '../../src/core/read/index.ts';
import { withTexts } from '../../src/core/write/texts.ts';
import { AT, aJob } from '../builders/parts.ts';

const NOTHING: ExportChoice = { customer: false, serials: false, photographs: false, words: false };
const WORDS: ExportChoice = { ...NOTHING, words: true };
const ALL: ExportChoice = { customer: true, serials: true, photographs: true, words: true };
const CUSTOMER = 'Zoë Brannigan-Quist, 14 Pilot’s Row';
const TECHNICIAN = 'Bo Åkerlind';

const stored = (format: number): Job =>
  readJobFile(readFileSync(new URL(`../data/job-format-${format}.json`, import.meta.url), 'utf8'))
    .job!;
/** Jobs with something in nearly every field, as earlier versions kept them. */
const JOBS: readonly Job[] = [2, 3, 5, 6, 7, 8, 9, 10, 11].map(stored);
const ours = (job: Job): Job => ({ ...job, customer: CUSTOMER, technician: TECHNICIAN });

/** Ways in which people write the names. */
const FORMS = [
  'Brannigan-Quist',
  'BRANNIGAN',
  'brannigan',
  'quist',
  'Zoë  Brannigan-Quist',
  'Zoe\u0308',
  'Zoe',
  'Quists',
  'Z. B. Q.',
  'ZBQ',
  'Pilot’s Row',
  '14 pilots row',
  'Bo',
  'Bo\u00a0Åkerlind',
  'A\u030akerlind',
  'akerlind',
  'zoe.brannigan@example.org',
];
/** Numbers, addresses and secrets, each with what of it must not go. */
const SHAPES: readonly (readonly [string, string])[] = [
  ['SN=PW77-1203', 'PW77-1203'],
  ['S/N 99887', '99887'],
  ['serial number: AB12-34', 'AB12-34'],
  ['Seriennummer 4711-0815', '4711-0815'],
  ['numéro de série: XK99', 'XK99'],
  ['card 5f:1c:22:9e:0a:b4 in it', '5f:1c:22:9e:0a:b4'],
  ['5F-1C-22-9E-0A-B4', '9E-0A'],
  ['at 192.168.20.14 now', '192.168.20.14'],
  ['fe80::1c2d:3e4f', '3e4f'],
  ['2001:db8:0:1:1:1:1:1', 'db8'],
  ['WLAN key: gull-on-the-mast', 'gull-on-the-mast'],
  ['Kennwort ist Moewe7', 'Moewe7'],
  ['password=hunter', 'hunter'],
  ['SSID: QuayNet', 'QuayNet'],
  ['call 0170 / 555 12 34', '555'],
  ['+46 8 555 123 45', '555'],
  ['label 7H3K2-Q9PL4X', '7H3K2-Q9PL4X'],
];

const fillAll = (job: Job, text: string) => {
  const places = new Set<string>();
  const filled = withTexts(Job, job, (before, place) => {
    // What is known as the name of a thing is nothing that somebody wrote.
    if (/^(?:customer|technician|log\.\*\.command)$|functions\.\*\.name|card\.m/.test(place))
      return before;
    places.add(place);
    return text;
  });
  return { filled, places };
};
const plainLetters = (text: string) =>
  text.normalize('NFD').replaceAll(/\p{M}/gu, '').toLowerCase();

describe('What goes out', () => {
  it('is a job that reads, whatever is ticked, and with everything ticked the very same', () => {
    for (const job of JOBS) {
      for (const choice of [
        NOTHING,
        WORDS,
        { ...NOTHING, customer: true },
        { ...NOTHING, serials: true },
      ])
        expect(problemsOf(forExport(job, choice))).to.deep.equal([]);
      expect(exportOf(job, ALL).job).to.deep.equal(job);
      expect(exportOf(job, ALL).stayed).to.deep.equal([]);
    }
  });

  it('holds nothing that people wrote unless it is ticked, in any field that there is', () => {
    const places = new Set<string>();
    for (const job of JOBS) {
      const { filled, places: own } = fillAll(ours(job), 'Heron on the tower');
      for (const place of own) places.add(place);
      const { job: out, stayed } = exportOf(filled, NOTHING);
      const left = new Set<string>();
      withTexts(Job, out, (text, place) => {
        if (text.includes('Heron')) left.add(place);
        return text;
      });
      // Only what makers, systems and the program itself write.
      for (const place of left)
        expect(place).to.match(
          /maker|model|chip|fits|leadsBefore|packages|functions|inTrouble|system|firmware|onBoard|screens|statements|value|group|\.id$|lead$/i,
        );
      expect(stayed.some(({ what }) => what === 'words')).to.equal(true);
    }
    expect(places.size, 'fields that are tried').to.be.greaterThan(45);
  });

  it('holds no form of a name in any field, of makers’ words neither', () => {
    for (const job of JOBS.slice(-3))
      for (const form of FORMS)
        for (const choice of [NOTHING, WORDS]) {
          const { filled } = fillAll(ours(job), `for ${form} today`);
          const bare = {
            ...filled,
            observations: filled.observations.filter(({ kind }) => kind === 'run'),
          };
          const out = forExport(bare, choice);
          withTexts(Job, out, (text, place) => {
            if (/^observations\.\*\.value|uplink|log\.\*\.command/.test(place)) return text;
            for (const word of plainLetters(form).match(/[\p{L}\p{N}]+/gu) ?? [])
              if (word.length > 1 && word !== '14')
                expect(
                  plainLetters(text).match(/[\p{L}\p{N}]+/gu) ?? [],
                  `${place}: ${form}`,
                ).not.to.include(word);
            return text;
          });
        }
  });

  it('keeps numbers, addresses and secrets out of what people wrote, and says so', () => {
    for (const [text, secret] of SHAPES) {
      const job = ours({ ...aJob(), notes: `Note: ${text}`, title: text });
      const { job: out, stayed } = exportOf(job, WORDS);
      expect(out.notes, text).not.to.include(secret);
      expect(out.title, text).not.to.include(secret);
      expect(stayed.map((each) => each.place)).to.include('notes');
    }
    // A password goes nowhere, whatever is ticked.
    const job = { ...aJob(), notes: 'WLAN key: gull' };
    expect(forExport(job, { ...ALL, customer: false }).notes).to.equal('WLAN key: …');
  });

  it('leaves alone what is none of it', () => {
    const notes =
      'Gen 3 x4, 16 GB, 2.5 Gb/s, 3.200 MB/s; HDMI 2.1; driver 31.0.101.2125; slot 2 of 5, 12 V at 480 W, 2026-12-01.';
    const { job, stayed } = exportOf(ours({ ...aJob(), notes }), WORDS);
    expect(job.notes).to.equal(notes);
    expect(stayed.filter(({ place }) => place === 'notes')).to.deep.equal([]);
  });

  it('tells what stayed and shows the words that go', () => {
    const job = ours({
      ...aJob(),
      title: 'USB for Brannigan',
      photos: [{ id: 'p', slotId: null, words: 'before', takenAt: AT }],
    });
    const { stayed, words } = exportOf(job, WORDS);
    expect(stayed).to.deep.include({ what: 'name', place: 'title', text: 'Brannigan' });
    expect(stayed).to.deep.include({ what: 'name', place: 'customer', text: CUSTOMER });
    expect(stayed).to.deep.include({ what: 'photograph', place: 'photos', text: 'p' });
    expect(words).to.deep.include({ place: 'title', text: 'USB for …' });
    expect(exportOf(job, NOTHING).words).to.deep.equal([]);
  });

  it('names what cannot be without a name, and knows cards by their makers’ names', () => {
    for (const job of JOBS) {
      const out = forExport(job, NOTHING);
      out.machine.slots.forEach(({ label }, n) => expect(label).to.equal(`#${n + 1}`));
      expect(out.needs.map(({ kind }) => kind)).to.deep.equal(job.needs.map(({ kind }) => kind));
      expect(out.plan?.placements.map(({ card }) => card.model)).to.deep.equal(
        job.plan?.placements.map(({ card }) => card.model),
      );
    }
  });
});
