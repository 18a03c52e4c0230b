/** What may be typed: the right thing comes out, the wrong thing is refused and comes out as nothing. */
import { expect } from 'chai';
import { KIND_WORDS } from '$lib/wording/kinds/words';
import { fieldsOf, readField, typed, writeField } from '$lib/stages/needs/needFields';
import {
  PLUGS_FIELD,
  SPEEDS_FIELD,
  VERSION_FIELD,
  choiceField,
  numberField,
} from '$lib/stages/survey/fields';
import { Need, plainNeed, type NeedKind } from '$core/kinds';

describe('Survey fields', () => {
  it('take whole numbers within their limits', () => {
    const field = numberField('an opening', { least: 1, most: 12 });
    expect(['1', '12', '7'].map(field.parse)).to.deep.equal([1, 12, 7]);
    expect(['0', '13', '1.5', 'ten', '', '1e9', '-3'].map(field.parse)).to.deep.equal(
      Array(7).fill(null),
    );
    expect(field.expects).to.equal('an opening from 1 to 12');
  });

  it('take millimetres with a comma or a point', () => {
    const field = numberField('a length', { unit: 'mm', least: 20, most: 400, whole: false });
    expect(field.parse('167,65')).to.equal(167.65);
    expect(field.parse('167.65')).to.equal(167.65);
  });

  it('take plugs as they are counted on the bench', () => {
    expect(PLUGS_FIELD.parse('1 × 8-pin, 2 x SATA,3 4-pin')).to.deep.equal([
      { type: '8-pin', count: 1 },
      { type: 'sata', count: 2 },
      { type: '4-pin', count: 3 },
    ]);
    expect(PLUGS_FIELD.parse('none')).to.deep.equal([]);
    for (const wrong of ['8-pin', '1 × 9-pin', '1 × 8-pin,', 'two sata'])
      expect(PLUGS_FIELD.parse(wrong), wrong).to.equal(null);
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
          const value = typed(field, '2');
          expect(readField(writeField(need, field, value)!, field), field.path).to.equal(value);
          for (const wrong of ['', '-1', '1.5', 'many', '999999999'])
            expect(typed(field, wrong), `${field.path}: ${wrong}`).to.equal(null);
          expect(typed(field, '0') === null, field.path).to.equal(field.least > 0);
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
