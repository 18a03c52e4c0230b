/** What becomes of screens' reports in the survey: sockets, tiles, and what is asked of whoever looks at their backs. */
import { expect } from 'chai';
import { bestMode, takeEvidence } from '../../src/core/survey/index.ts';
import { emptyMachine, type Machine, type Screen } from '../../src/core/document/index.ts';
import { flowOf } from '../../src/core/flow/index.ts';
import { plainNeed } from '../../src/core/kinds/index.ts';
import { readEvidence } from '../../src/core/read/index.ts';
import { unknownFacts } from '../../src/core/rules/index.ts';
import { valueOf } from '../../src/core/parts/index.ts';
import { screens } from '../../demo/catalogue/row.ts';
import { PLAIN_EDID as PLAIN, buildEdid, type EdidSpec } from '../builders/edid.ts';
import { aCard, aMachine, aSlot, told } from '../builders/parts.ts';

const CTA = {
  codes: [97, 118],
  hdmi: 60,
  hdmiCodes: [],
  deepColour: 0x10,
  forum: 120,
  frl: 6,
  only420: [],
  map420: null,
  modes: [],
};

const surveyed = (...specs: readonly EdidSpec[]): Machine => {
  const files = specs.map((spec, n) => ({ name: `screen${n}`, content: buildEdid(spec) }));
  return takeEvidence(emptyMachine(), readEvidence(files)).machine;
};
const only = (machine: Machine): Screen => {
  expect(machine.screens).to.have.length(1);
  return machine.screens[0]!;
};

describe('Screens in the survey', () => {
  it('take the port’s own word for the socket, also beside an HDMI block', () => {
    const input = (over: Partial<EdidSpec>) =>
      valueOf(only(surveyed({ ...PLAIN, cta: CTA, ...over })).input);
    expect(input({ input: 0xb5 })).to.equal('displayport');
    expect(input({ input: 0xa1 })).to.equal('dvi');
    // The interface is not named, or the version has no word for it.
    expect(input({ input: 0xb0 })).to.equal('hdmi');
    expect(input({ input: 0x80, revision: 3 })).to.equal('hdmi');
  });

  it('ask for the socket, then for the others, of as many as the job wants; a need that names it asks for none', () => {
    const need = plainNeed('screens', 'n', { count: 1 });
    const asked = (machine: Machine, over: Partial<typeof need> = {}) =>
      unknownFacts(machine, [{ ...need, ...over }])
        .filter(({ code }) => code.startsWith('screen.'))
        .map(({ code }) => code);
    const machine = surveyed(PLAIN, { ...PLAIN, product: 7 });
    expect(asked(machine)).to.deep.equal(['screen.otherInputs']);
    expect(asked(machine, { count: 2 })).to.have.length(2);
    expect(asked(machine, { input: 'hdmi' })).to.deep.equal([]);
    expect(asked(surveyed({ ...PLAIN, input: 0x80 }))).to.deep.equal(['screen.input']);
  });

  it('make one screen of the tiles that report, and two of two of the same tile', () => {
    const tile = (column: number): EdidSpec => ({
      ...PLAIN,
      displayId: {
        version: 0x12,
        name: null,
        timings: [
          {
            type: 1,
            clock: 48325,
            isPreferred: true,
            widthPx: 2560,
            blankPx: 160,
            lines: 2880,
            blankLines: 84,
          },
        ],
        tiles: { across: 2, down: 1, column, row: 0, widthPx: 2560, heightPx: 2880 },
      },
    });
    const screen = only(surveyed(tile(0), tile(1)));
    expect(screen.tiles).to.deep.equal({ across: 2, down: 1 });
    expect(bestMode(screen)).to.include({ widthPx: 5120, heightPx: 2880 });
    expect(surveyed(tile(0), tile(1), tile(0), tile(1)).screens).to.have.length(2);

    // The whole picture takes two outputs of the card; what one stream shows takes one.
    const machine = aMachine([aSlot(1)], { screens: [{ ...screen, otherInputs: told([]) }] });
    const units = (outputs: number, widthPx: number, heightPx: number) =>
      flowOf(
        aCard({ delivers: screens(4, [['dp-hbr3', outputs]], 4, 2) }),
        machine.slots[0]!,
        plainNeed('screens', 'n', { count: 1, mode: { widthPx, heightPx, refreshHz: 60 } }),
        machine,
      )?.units;
    expect([units(1, 5120, 2880), units(2, 5120, 2880)]).to.deep.equal([0, 1]);
    expect(units(1, 3840, 2160)).to.equal(1);
  });

  it('show 4K at 120 Hz over HDMI where both ends have the fixed-rate link', () => {
    const machine = {
      ...aMachine([aSlot(1)]),
      screens: surveyed({ ...PLAIN, input: 0xa2, cta: CTA }).screens,
    };
    const flow = (signal: 'hdmi-600' | 'hdmi-frl48', over: Partial<Screen> = {}) =>
      flowOf(
        aCard({ delivers: screens(1, [[signal, 1]], 4, 2) }),
        machine.slots[0]!,
        plainNeed('screens', 'n', {
          count: 1,
          mode: { widthPx: 3840, heightPx: 2160, refreshHz: 120 },
        }),
        { ...machine, screens: [{ ...machine.screens[0]!, ...over }] },
      );
    expect(flow('hdmi-frl48')?.units).to.equal(1);
    expect(flow('hdmi-frl48')?.finding.code).to.not.equal('deliver.screenLess');
    expect(flow('hdmi-600')?.units).to.equal(0);
    expect(flow('hdmi-frl48', { hdmiMegabits: 14_400 })?.finding.code).to.equal(
      'deliver.screenInput',
    );
  });

  it('keep their sockets and what was entered of them when they are read again', () => {
    const machine = surveyed(PLAIN);
    const entered = {
      ...machine,
      screens: [{ ...machine.screens[0]!, otherInputs: told(['hdmi' as const]) }],
    };
    const file = { name: 'screen', content: buildEdid(PLAIN) };
    const again = takeEvidence(entered, readEvidence([file])).machine;
    expect(valueOf(only(again).otherInputs)).to.deep.equal(['hdmi']);
  });
});
