/**
 * Tenant's decoding of configuration space against lspci (pciutils), over random spaces from a seed:
 * field by field against what lspci prints of the same bytes, and Tenant's reading of lspci's text against
 * Tenant's own reading of the bytes.
 */
import { expect } from 'chai';
import * as fc from 'fast-check';
import { readLspci } from '../../src/core/read/index.ts';
import type { PciFunction } from '../../src/core/parts/index.ts';
import { buildSpace, hexText, randomSpace, type SpaceSpec } from '../builders/configSpace.ts';
import { SEED, requireTool, run, withFile } from './tools.ts';
import { soaked } from '../builders/soak.ts';

const SPACES = soaked(1_000, 2_000);
/** Spaces a run of lspci reads at once; each is one function. */
const BATCH = 500;

const addressOf = (n: number) =>
  `${(n >> 8).toString(16).padStart(2, '0')}:${((n >> 3) & 0x1f).toString(16).padStart(2, '0')}.${n & 7}`;

/** lspci's text of each device of a dump, by full address. */
function lspciText(dump: string): ReadonlyMap<string, string> {
  const text = withFile(dump, (path) => run('lspci', ['-F', path, '-vvnn']));
  return new Map(
    text
      .split('\n\n')
      .filter((block) => block.trim() !== '')
      .map((block) => [`0000:${block.slice(0, 7)}`, block]),
  );
}

/** The lines lspci would print of the fields Tenant decoded, so that text meets text. */
function asLspciPrints(fn: PciFunction): readonly string[] {
  const speed = (generation: number | null) =>
    generation === null ? '(?:unknown|64GT/s)' : `${[2.5, 5, 8, 16, 32][generation - 1]}GT/s`;
  const hex2 = (value: number) => value.toString(16).padStart(2, '0');
  const hex4 = (value: number) => value.toString(16).padStart(4, '0');
  const link = fn.express?.link;
  const slot = fn.express?.slot;
  return [
    `\\[${hex4(fn.classCode)}\\]: .*\\[${hex4(fn.vendor)}:${hex4(fn.device)}\\]`,
    ...(fn.subsystem
      ? [`Subsystem: .*\\[${hex4(fn.subsystem.vendor)}:${hex4(fn.subsystem.device)}\\]`]
      : []),
    ...(fn.buses
      ? [`Bus: .*secondary=${hex2(fn.buses.secondary)}, subordinate=${hex2(fn.buses.subordinate)},`]
      : []),
    ...(link
      ? [
          `LnkCap:\tPort #\\d+, Speed ${speed(link.able.generation)}, Width x${link.able.width},`,
          `LnkSta:\tSpeed ${speed(link.now.generation)}( \\([a-z]+\\))?, Width x${link.now.width}\\b`,
        ]
      : []),
    ...(slot
      ? [`Slot #${slot.number}, PowerLimit >?${String(slot.powerWatts).replace('.', '\\.')}W;`]
      : []),
  ];
}

describe('Configuration space against lspci', () => {
  const specs = fc.sample(randomSpace, { numRuns: SPACES, seed: SEED });
  const batches = Array.from({ length: SPACES / BATCH }, (_, b) =>
    specs.slice(b * BATCH, (b + 1) * BATCH),
  );
  const eachSpace = (
    check: (
      spec: SpaceSpec,
      text: string,
      fn: PciFunction | undefined,
      problems: readonly string[],
    ) => void,
  ) => {
    for (const batch of batches) {
      const dumps = batch.map((spec, n) => hexText(addressOf(n), buildSpace(spec)));
      const texts = lspciText(dumps.join('\n'));
      batch.forEach((spec, n) => {
        const reading = readLspci(dumps[n] ?? '');
        const text = texts.get(`0000:${addressOf(n)}`);
        if (text === undefined) throw new Error(`lspci printed nothing for ${addressOf(n)}`);
        check(
          spec,
          text,
          reading.functions[0],
          reading.problems.map(({ code }) => code),
        );
      });
    }
  };

  before(function () {
    requireTool(this, 'lspci');
  });

  it(`prints the same fields of ${SPACES} spaces (seed ${SEED})`, () => {
    let links = 0;
    let slots = 0;
    let windows = 0;
    eachSpace((spec, text, fn) => {
      if (fn === undefined) throw new Error(`Nothing decoded of ${JSON.stringify(spec)}`);
      for (const line of asLspciPrints(fn)) {
        const where = /LnkCap|LnkSta|Slot #/.test(line) ? firstExpress(text) : text;
        expect(where, JSON.stringify(spec)).to.match(new RegExp(line));
      }
      expect(fn.subsystem !== null, `subsystem of ${JSON.stringify(spec)}`).to.equal(
        /^\tSubsystem: /m.test(text),
      );
      expect(fn.buses !== null, JSON.stringify(spec)).to.equal(/^\tBus: /m.test(text));
      expect(fn.express?.link != null, JSON.stringify(spec)).to.equal(
        /LnkCap:\t/.test(firstExpress(text)),
      );
      expect(fn.express?.slot != null, JSON.stringify(spec)).to.equal(
        /SltCap:\t/.test(firstExpress(text)),
      );
      expect(fn.resizableBar, `${JSON.stringify(spec)}\n${text}`).to.deep.equal(windowOf(text));
      windows += fn.resizableBar ? 1 : 0;
      links += fn.express?.link ? 1 : 0;
      slots += fn.express?.slot ? 1 : 0;
    });
    // The sample must hold what it is meant to test.
    expect(links).to.be.greaterThan(SPACES / 20);
    expect(slots).to.be.greaterThan(SPACES / 20);
    expect(windows).to.be.greaterThan(50);
  });

  it('notices the same broken and looping chains', () => {
    let broken = 0;
    eachSpace((spec, text, _fn, problems) => {
      for (const [code, mark] of [
        ['capability.looped', '<chain looped>'],
        ['capability.broken', '<chain broken>'],
        ['capability.denied', '<access denied'],
        ['config.headerType', 'Unknown header type'],
      ] as const) {
        expect(problems.includes(code), `${code} of ${JSON.stringify(spec)}`).to.equal(
          text.includes(mark),
        );
        broken += text.includes(mark) ? 1 : 0;
      }
    });
    expect(broken).to.be.greaterThan(SPACES / 20);
  });

  it("reads lspci's text to the same function as the bytes", () => {
    eachSpace((spec, text, fromBytes) => {
      const fromText = readLspci(text).functions[0];
      expect(withoutNames(fromText), `${JSON.stringify(spec)}\n${text}`).to.deep.equal(
        withoutNames(fromBytes),
      );
    });
  });
});

const UNITS = { M: 2 ** 20, G: 2 ** 30, T: 2 ** 40, P: 2 ** 50 } as const;
const bytesOf = (size: string): number =>
  parseInt(size, 10) * UNITS[size.at(-2) as keyof typeof UNITS];

/** The window that can grow largest, of those lspci lists for the function itself. */
function windowOf(text: string): PciFunction['resizableBar'] {
  const [, own = ''] = /Physical Resizable BAR\n((?:\t\t.*\n?)*)/.exec(text) ?? [];
  const bars = [...own.matchAll(/current size: (\w+)(?:, supported: (.*))?/g)].map((match) => {
    const nowBytes = bytesOf(match[1] ?? '');
    const sizes = (match[2] ?? '').split(' ').filter((size) => size !== '');
    return { nowBytes, mostBytes: Math.max(nowBytes, ...sizes.map(bytesOf)) };
  });
  return bars.toSorted((a, b) => b.mostBytes - a.mostBytes)[0] ?? null;
}

const firstExpress = (text: string): string => {
  const start = text.search(/Capabilities: \[..\] Express/);
  const rest = start === -1 ? '' : text.slice(start + 14);
  const end = rest.indexOf('Capabilities:');
  return end === -1 ? rest : rest.slice(0, end);
};

/** Only the text has names. */
const withoutNames = (fn: PciFunction | undefined) => fn && { ...fn, name: null };
