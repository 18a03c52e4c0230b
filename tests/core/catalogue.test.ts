/** The catalogue as a table: cells, columns, files with bad rows, cards learned from a machine, money. */
import { expect } from 'chai';
import * as fc from 'fast-check';
import {
  CARD_COLUMNS,
  MONEY_CELL,
  contradictionsIn,
  learnCard,
  learnable,
  matchColumns,
  missingColumns,
  plainCard,
  printCell,
  readCatalogueTable,
  readRows,
  takeCell,
  writeCatalogue,
} from '../../src/core/catalogue/index.ts';
import { Card } from '../../src/core/document/index.ts';
import { readLspci } from '../../src/core/read/index.ts';
import { valueAt } from '../../src/core/paths.ts';
import { withTaxCents } from '../../src/core/money.ts';
import { CARDS } from '../../demo/catalogue/cards.ts';

import { absurdCard, chanceOf } from '../builders/absurdJob.ts';
import { soaked } from '../builders/soak.ts';

const SEED = Number(process.env['SEED'] ?? 20261125);
const trimmed = (card: Card): Card =>
  JSON.parse(JSON.stringify(card), (_, value: unknown) =>
    typeof value === 'string' ? value.trim() : value,
  ) as Card;
/** A name that is more than blanks. */
const isNamed = ({ maker, model }: Card): boolean => maker.trim() !== '' && model.trim() !== '';
const idFor = (maker: string, model: string) =>
  CARDS.find((card) => card.maker === maker && card.model === model)?.id ?? 'fresh';
const table = (text: string) => {
  const read = readCatalogueTable(text);
  if (!('table' in read)) throw new Error(read.problem.code);
  return read.table;
};
const rows = (text: string) => {
  const read = table(text);
  return readRows(read, matchColumns(read), idFor);
};

describe('Money', () => {
  it('is read and printed exactly, and anything else is refused', () => {
    for (const [text, cents] of [
      ['49', 4900],
      ['49.9', 4990],
      ['49,90', 4990],
      ['0.07', 7],
      ['1234567.89', 123456789],
    ] as const)
      expect(MONEY_CELL.parse(text), text).to.equal(cents);
    for (const text of ['', '-1', '1.234', '1e3', '12 €', 'free', '.5', '12345678'])
      expect(MONEY_CELL.parse(text), text).to.equal(undefined);
    for (const cents of fc.sample(fc.integer({ min: 0, max: 999_999_999 }), {
      numRuns: 500,
      seed: SEED,
    }))
      expect(MONEY_CELL.parse(MONEY_CELL.print(cents))).to.equal(cents);
  });

  it('carries tax to the nearest cent, halves upwards', () => {
    expect(withTaxCents(10_000, 2_000)).to.equal(12_000);
    // 0.05 with 10 % is 0.055.
    expect(withTaxCents(5, 1_000)).to.equal(6);
    expect(withTaxCents(4, 1_000)).to.equal(4);
    expect(withTaxCents(999_999_999, 1_925)).to.equal(1_192_499_999);
    expect(withTaxCents(1_999, 0)).to.equal(1_999);
  });
});

describe('The catalogue as a table', () => {
  it('reads back every card of the demo as it was written', () => {
    const back = rows(writeCatalogue(CARDS));
    expect(back.flatMap(({ problems }) => problems)).to.deep.equal([]);
    expect(back.map(({ card }) => card)).to.deep.equal(CARDS);
  });

  const many = soaked(400, 10_000);
  it(`reads back whatever a card may be, ${many} times (seed ${SEED})`, () => {
    const chance = chanceOf(SEED);
    let read = 0;
    for (let n = 0; n < many; n += 1) {
      const card = absurdCard(CARDS[n % CARDS.length]!, chance);
      // What has no name, or contradicts itself, is refused by forms and files alike.
      if (card === null || contradictionsIn(card).length > 0 || !isNamed(card)) continue;
      read += 1;
      const [back] = rows(writeCatalogue([card]));
      expect(back?.problems, JSON.stringify(card)).to.deep.equal([]);
      // Blanks at the ends of a text do not come through a table.
      expect({ ...back?.card, id: card.id }, JSON.stringify(card)).to.deep.equal(trimmed(card));
    }
    expect(read).to.be.greaterThan(many / 4);
  });

  it('takes units as people type them', () => {
    const card = plainCard('drives');
    const length = CARD_COLUMNS.find(({ key }) => key === 'lengthMm')!;
    // 25.4 mm are an inch by definition. Source: international yard and pound agreement (from memory).
    for (const [text, mm] of [
      ['12"', 304.8],
      ['4.5 in', 114.3],
      ['30 cm', 300],
      ['30,5cm', 305],
      ['0.312 m', 312],
      ['267', 267],
      ['267 mm', 267],
    ] as const)
      expect(takeCell(card, length, text)?.lengthMm, text).to.equal(mm);
    for (const text of ['12 W', '12 GB', 'in', '1e9', '-3', '0', '3 m'])
      expect(takeCell(card, length, text), text).to.equal(undefined);
  });

  it('takes lists as they are written elsewhere, and a part once for several that are alike', () => {
    for (const [kind, key, text, value] of [
      ['wifi', 'wifi.bands', '2.4, 5', ['2.4', '5']],
      ['wifi', 'wifi.bands', '2.4 + 5', ['2.4', '5']],
      ['network', 'network.megabits', '1000; 2500', [1000, 2500]],
      ['drives', 'sockets', '2 × 8-pin', ['8-pin', '8-pin']],
      ['drives', 'sockets', '2x8-pin + sata', ['8-pin', '8-pin', 'sata']],
    ] as const) {
      const column = CARD_COLUMNS.find((each) => each.key === key)!;
      const card = takeCell(plainCard(kind), column, text);
      expect(card === undefined ? undefined : valueAt(card, column.path), text).to.deep.equal(
        value,
      );
    }
    const sockets = CARD_COLUMNS.find(({ key }) => key === 'sockets')!;
    for (const wrong of ['2 × 9-pin', '100 × 8-pin', '8-pin,', '2 ×'])
      expect(takeCell(plainCard('drives'), sockets, wrong), wrong).to.equal(undefined);
  });

  it('lets every door take what the schema lets through', () => {
    const card = plainCard('network');
    for (const [key, text, value] of [
      ['openings', '6', 6],
      ['lengthMm', '460', 460],
      ['peakWatts', '750', 750],
      ['supplyWatts', '2,4 kW', 2_400],
      ['network.ports', '128', 128],
      ['network.megabits', '400 Gb/s', [400_000]],
      ['weightGrams', '6,2 kg', 6_200],
    ] as const) {
      const column = CARD_COLUMNS.find((each) => each.key === key)!;
      const taken = takeCell(card, column, text);
      expect(taken && valueAt(taken, column.path), key).to.deep.equal(value);
    }
  });

  it('leaves nothing at the beginning of a cell that a spreadsheet would reckon with', () => {
    const names = ['=1+1', '+1', '-1', '@SUM(A1)', '\tx'.trim()];
    const cards = names.map((model, n) => ({ ...CARDS[0]!, id: `c${n}`, model }));
    const text = writeCatalogue(cards);
    expect(text).to.not.match(/(^|[,\n"])[-+=@]/);
    const read = readCatalogueTable(text);
    if (!('table' in read)) throw new Error('No table was read');
    const rows = readRows(read.table, matchColumns(read.table), () => 'id');
    expect(rows.map(({ card }) => card?.model)).to.deep.equal(names);
  });

  it('prints and takes every column of every card', () => {
    for (const card of CARDS) {
      for (const column of CARD_COLUMNS) {
        if (column.kind !== undefined && column.kind !== card.delivers.kind) continue;
        expect(
          takeCell(card, column, printCell(card, column)),
          `${card.id} ${column.path}`,
        ).to.deep.equal(card);
        expect(takeCell(card, column, '\u0000 none such'), column.path).to.satisfy(
          (taken: Card | undefined) =>
            taken === undefined || printCell(taken, column).includes('none such'),
        );
      }
    }
  });

  it('has a plain card of every kind that is sound', () => {
    for (const kind of new Set(CARDS.map(({ delivers }) => delivers.kind)))
      expect(Card.safeParse({ ...plainCard(kind), maker: 'A', model: 'B' }).success, kind).to.equal(
        true,
      );
  });

  it('matches columns by their names, whatever their order and spelling', () => {
    const read = table('Net Price;brand;TYPE;Article;Peak W;Peak, W\n1;a;usb;b;5;6');
    expect(matchColumns(read)).to.deep.equal(['price', 'maker', 'kind', null, 'peakWatts', null]);
    expect(missingColumns(matchColumns(read))).to.deep.equal(['model']);
  });

  it('shows each bad row with its line, its column and what was expected, and takes the good ones', () => {
    const read = rows(
      [
        'Maker,Model,Kind,Price,"Peak, W","From the slot, W",Power sockets,Mb/s',
        'A,One,network,10,5,5,,100 + 1000',
        '',
        'A,Two,network,ten,5,5,,1000',
        'A,Three,printer,10,5,5,,',
        'A,Four,network,10,20,5,,1000',
        'A,Five,network,10,5,5,,fast',
        'A,Six,network,10,5,5,,1000,extra,cells',
        'A,One,network,12,5,5,,1000',
        ',Nameless,usb,10,5,5,,',
      ].join('\n'),
    );
    expect(
      read.map(({ line, card, problems }) => [
        line,
        card?.model ?? null,
        ...problems.flatMap(({ code, at }) => [code, at ?? '']),
      ]),
    ).to.deep.equal([
      [2, 'One'],
      [4, null, 'table.cell', 'price'],
      [5, null, 'table.cell', 'kind'],
      [6, null, 'table.cell', 'sockets'],
      [7, null, 'table.cell', 'network.megabits'],
      [8, null, 'list.row', ''],
      [9, null, 'table.rowTwice', 'A One'],
      [10, null, 'table.cell', 'maker'],
    ]);
    expect(read[0]?.card).to.include({ priceCents: 1000, peakWatts: 5, bus: 'pcie' });
  });

  it('refuses what is no table at all', () => {
    for (const text of ['', '\n\n', 'only,a,header'])
      expect(readCatalogueTable(text)).to.deep.equal({ problem: { code: 'table.noRows' } });
    expect(readCatalogueTable('x'.repeat(5_000_000))).to.have.nested.property(
      'problem.code',
      'input.tooLarge',
    );
    expect(readCatalogueTable(`a\n${'b\n'.repeat(5001)}`)).to.have.nested.property(
      'problem.code',
      'table.tooManyRows',
    );
  });

  it(`never throws on damaged tables (seed ${SEED})`, () => {
    const whole = writeCatalogue(CARDS.slice(0, 12));
    const damage = fc.record({
      at: fc.nat(whole.length),
      cut: fc.nat(40),
      put: fc.string({ maxLength: 8 }),
    });
    let refused = 0;
    for (const { at, cut, put } of fc.sample(damage, { numRuns: 800, seed: SEED })) {
      const read = readCatalogueTable(whole.slice(0, at) + put + whole.slice(at + cut));
      if (!('table' in read)) continue;
      for (const { card, problems } of readRows(read.table, matchColumns(read.table), idFor)) {
        expect(card === null).to.equal(problems.length > 0);
        if (card === null) refused += 1;
        else expect(Card.safeParse(card).success).to.equal(true);
      }
    }
    expect(refused).to.be.above(100);
  });
});

describe('A card learned from a machine', () => {
  const report = [
    '00:1f.3 Audio device [0403]: Tollund Board sound [f1ee:0001]',
    '01:00.0 SATA controller [0106]: Tollund Locker X [f1ee:0042] (prog-if 01 [AHCI 1.0])',
    '\tCapabilities: [80] Express (v2) Endpoint, IntMsgNum 0',
    '\t\tLnkCap:\tPort #0, Speed 8GT/s, Width x2',
    '\t\tLnkSta:\tSpeed 5GT/s, Width x1',
    '02:00.0 PCI bridge [0604]: Tollund Bridge [f1ee:0003]',
  ].join('\n');

  it('has the identity, class, lanes and generation that its registers tell', () => {
    const found = learnable(readLspci(report).functions);
    // What is on the chipset's own bus, and bridges, are no cards.
    expect(found.map(({ address }) => address)).to.deep.equal(['0000:01:00.0']);
    const learned = learnCard(found[0]!);
    expect(learned).to.deep.include({
      ids: { vendor: 0xf1ee, device: 0x42, class24: 0x010601 },
      // Two lanes want a connector of four.
      lanes: 4,
      generation: 3,
      bus: 'pcie',
    });
    expect(learned.delivers.kind).to.equal('drives');
    expect(Card.safeParse({ ...learned, maker: 'Tollund' }).success).to.equal(true);
  });
});
