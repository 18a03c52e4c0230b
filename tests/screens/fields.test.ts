/** What may be typed: the right thing comes out, the wrong thing is refused and comes out as nothing. */
import { expect } from 'chai';
import { KIND_WORDS } from '$words/kinds/words';
import { expected, fieldsOf, readField, typed, writeField } from '$lib/stages/needs/needFields';
import {
  BAYS_FIELD,
  FRONT_LEADS_FIELD,
  HEADERS_FIELD,
  LENGTHS_FIELD,
  PLUGS_FIELD,
  PLUGS_IN_USE_FIELD,
  ROOMS_FIELD,
  SPEEDS_FIELD,
  VERSION_FIELD,
  choiceField,
  numberField,
  type FieldKind,
} from '$lib/stages/survey/fields';
import { Need, needKindOf, plainNeed, type NeedKind } from '$core/kinds';
import { boundsAt } from '$core/parts';
import { withValueAt } from '$core/paths';

describe('Survey fields', () => {
  it('take whole numbers within the limits of what is kept', () => {
    const field = numberField('an opening', 'slots.opening');
    expect(['1', '32', '7'].map(field.parse)).to.deep.equal([1, 32, 7]);
    expect(['0', '33', '1.5', 'ten', '', '1e9', '-3', '7 mm'].map(field.parse)).to.deep.equal(
      Array(8).fill(null),
    );
    expect(field.expects).to.equal('an opening from 1 to 32');
  });

  it('take lengths with a comma or a point, in the unit that is at hand', () => {
    const field = numberField('a length', 'case.lengthRoomMm');
    for (const [text, mm] of [
      ['167,65', 167.65],
      ['167.65', 167.65],
      ['460', 460],
      ['12"', 304.8],
      ['4.5 in', 114.3],
      ['30 cm', 300],
    ] as const)
      expect(field.parse(text), text).to.equal(mm);
    expect(['0', '2001', '3 m', '30 W'].map(field.parse)).to.deep.equal(Array(4).fill(null));
    expect(field.expects).to.equal('a length above 0 and at most 2000');
    expect(numberField('a number of watts', 'supply.baseWatts').parse('2,4 kW')).to.equal(2_400);
    expect(numberField('a length', 'path.hops.leads.metres').unit).to.equal('m');
  });

  it('refuse to be made for what is no number of a machine', () => {
    for (const [path, why] of [
      ['case.bracket', 'case.bracket is no number'],
      ['case.depth', 'No depth'],
      ['supply', 'supply is no number'],
    ] as const)
      expect(() => numberField('a number', path), path).to.throw(why);
  });

  it('take plugs as they are counted on the bench', () => {
    expect(PLUGS_FIELD.parse('1 × 8-pin, 2 x SATA,3 4-pin')).to.deep.equal([
      { type: '8-pin', count: 1 },
      { type: 'sata', count: 2 },
      { type: '4-pin', count: 3 },
    ]);
    expect(PLUGS_FIELD.parse('1 × 8-pin + 2 × sata; 1 × 4-pin')).to.have.length(3);
    expect(PLUGS_FIELD.parse('none')).to.deep.equal([]);
    for (const wrong of ['8-pin', '1 × 9-pin', '1 × 8-pin,', 'two sata'])
      expect(PLUGS_FIELD.parse(wrong), wrong).to.equal(null);
  });

  it('take lists with whatever the machine’s own bounds let in, and nothing beyond', () => {
    for (const [field, good, wrong] of [
      [LENGTHS_FIELD, '30, 150', '0'],
      [ROOMS_FIELD, '14: 1200 thick 5', '3: 2001'],
      [BAYS_FIELD, '256 × 2.5 up to 150.5 mm', '257 × 2.5'],
      [PLUGS_FIELD, '256 × sata', '257 × sata'],
      [PLUGS_FIELD, '2 × sata to 1200', '1 × sata to 2001'],
      [PLUGS_IN_USE_FIELD, 'sata to 1200 feeds disk at 1100', 'sata feeds disk at 2001'],
      [FRONT_LEADS_FIELD, 'audio to 1200', 'audio to 2001'],
      [HEADERS_FIELD, 'usb-9-pin at 1100/1200', 'usb-9-pin at 2001/1'],
    ] as const) {
      const { parse, print } = field as FieldKind<unknown>;
      expect(print(parse(good)), good).to.equal(good);
      expect(parse(wrong), wrong).to.equal(null);
    }
  });

  it('print what they take back', () => {
    for (const text of ['none', '1 × 8-pin', '1 × 12v-2x6, 2 × sata']) {
      expect(PLUGS_FIELD.print(PLUGS_FIELD.parse(text)!)).to.equal(text);
    }
    expect(SPEEDS_FIELD.print(SPEEDS_FIELD.parse('1000 2500;10000')!)).to.equal(
      '1000, 2500, 10000',
    );
  });

  it('take only speeds that exist, and versions that are numbers', () => {
    expect(SPEEDS_FIELD.parse('1000, 3000')).to.equal(null);
    expect(['10', '6.1', '11.0.2'].map(VERSION_FIELD.parse)).to.deep.equal(['10', '6.1', '11.0.2']);
    expect(['ten', '6.', '.1', '6.1-rc'].map(VERSION_FIELD.parse)).to.deep.equal(
      Array(4).fill(null),
    );
  });

  it('offer choices and take nothing else', () => {
    const field = choiceField([
      [true, 'open'],
      [false, 'closed'],
    ] as const);
    expect(field.parse('false')).to.equal(false);
    expect(field.parse('perhaps')).to.equal(null);
    expect(field.options?.map(({ label }) => label)).to.deep.equal(['open', 'closed']);
  });
});

describe('Need fields', () => {
  for (const kind of Object.keys(KIND_WORDS) as NeedKind[]) {
    it(`read back what they write, and refuse the rest (${kind})`, () => {
      const need: Need = plainNeed(kind, 'n');
      expect(Need.safeParse(need).success).to.equal(true);
      for (const field of fieldsOf(need)) {
        if (field.as === 'number') {
          const { least, most, over } = boundsAt(needKindOf(need).schema, field.path);
          const shown = (value: number) => String(value / field.scale);
          for (const value of [most, over ? most / 2 : least]) {
            const read = typed(need, field, shown(value));
            expect(read, `${field.path}: ${value}`).to.equal(value);
            expect(readField(withValueAt(need, field.path, read) as Need, field)).to.equal(value);
          }
          for (const wrong of ['', 'many', shown(least - 1), shown(most * 2 + 1)])
            expect(typed(need, field, wrong), `${field.path}: ${wrong}`).to.equal(null);
          expect(expected(need, field)).to.match(/^A (whole )?number (from|above) \d/);
        } else {
          const values =
            field.as === 'tick'
              ? [true, false]
              : field.as === 'choice'
                ? field.options.map(([value]) => value)
                : [[], field.options.map(([value]) => value)];
          for (const value of values)
            expect(readField(writeField(need, field, value)!, field)).to.deep.equal(value);
          expect(writeField(need, field, 'neither'), field.path).to.equal(null);
        }
      }
    });
  }
});
