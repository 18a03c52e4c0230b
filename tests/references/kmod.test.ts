/** Which modules a Linux system has for a device, against modprobe (kmod) reading the same list. */
import { expect } from 'chai';
import * as fc from 'fast-check';
import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ProblemList, readModulesAlias } from '../../src/core/read/index.ts';
import { emptyFunction, type PciFunction } from '../../src/core/parts/index.ts';
import { modalias, modulesFor } from '../../src/core/drivers/index.ts';
import { soaked } from '../builders/soak.ts';
import { SEED, requireTool, runWithComplaints } from './tools.ts';

const DEVICES = 200;

/** Few values, so that patterns and devices meet. */
const small = fc.constantFrom(0x0000, 0x1af4, 0xf1a1, 0xffff);
const device: fc.Arbitrary<PciFunction> = fc
  .record({
    vendor: small,
    device: small,
    subsystem: fc.option(fc.record({ vendor: small, device: small })),
    classCode: fc.constantFrom(0x0200, 0x0106, 0x0403),
    programmingInterface: fc.constantFrom(0, 1, 0x30),
  })
  .map((fields) => ({ ...emptyFunction('0000:00:00.0'), ...fields }));

/** A device's own name with parts of it widened, as lists have them. */
const pattern = fc
  .tuple(
    device,
    fc.array(fc.constantFrom('v', 'd', 'sv', 'sd', 'bc', 'sc', 'i', '?', '['), { maxLength: 6 }),
  )
  .map(([of, widened]) =>
    widened.reduce((text, part) => {
      if (part === '?') return text.replace(/[0-9A-F](?=[^0-9A-F]|$)/, '?');
      if (part === '[') return text.replace(/[0-9A-F](?=[^0-9A-F]|$)/, '[0-9A-F]');
      return text.replace(new RegExp(`(^pci:|[0-9A-F*\\]?])${part}[0-9A-F]+`), `$1${part}*`);
    }, modalias(of)),
  );

/** Signs of a name in the oddest ways that a shell pattern can be written; empty: the sign stays. */
const oddSigns = fc.array(
  fc.oneof(
    { weight: 3, arbitrary: fc.constant('') },
    fc.constantFrom('?', '*', '[0-9A-F]', '[!1]', '[0-]', '[-0]', '[F-A]', '[!0-9]', '[[]', '[0'),
    fc.constantFrom(']', '[01AF]', '[!A-F1-8]', '[a-f]', '[*]', '[A-A0]', '[]0]', '[!]]'),
  ),
  { minLength: 8, maxLength: 8 },
);
const oddPattern = fc
  .tuple(device, fc.constantFrom('v', 'd', 'sv', 'sd', 'bc', 'sc', 'i'), oddSigns)
  .map(([of, part, odd]) => {
    const fields = [...modalias(of).matchAll(/(v|d|sv|sd|bc|sc|i)([0-9A-F]+)/g)];
    const oddly = (value: string) =>
      [...value].map((sign, n) => (odd[n] === '' ? sign : odd[n])).join('');
    const written = fields.map(([, name = '', value = '']) => {
      if (name === part) return name + oddly(value);
      return name === 'v' || name === 'd' ? name + value : `${name}*`;
    });
    return `pci:${written.join('')}`;
  });

/** Made from Debian's small kernel by its own tool (scripts/ready.mjs). */
const KERNEL_ALIASES = new URL('../../.cache/kernel/modules.alias', import.meta.url).pathname;

/** Patterns of one list: as many as share one key at most. */
const ODD_IN_A_LIST = 50;

describe('Modules for a device against modprobe', () => {
  const folder = mkdtempSync(join(tmpdir(), 'tenant-kmod-'));
  after(() => rmSync(folder, { recursive: true }));

  /** What modprobe finds in a list for a name; modules of its own that are part of the kernel are none of it. */
  let lists = 0;
  function reader(list: string): (name: string) => ReadonlySet<string> {
    lists += 1;
    const conf = join(folder, `conf-${lists}`);
    mkdirSync(conf);
    writeFileSync(join(conf, 'list.conf'), list);
    mkdirSync(join(folder, 'lib/modules/any'), { recursive: true });
    return (name) => {
      const printed = runWithComplaints('modprobe', [
        ...['-C', conf, '-d', folder, '-S', 'any', '-R', name],
      ]);
      return new Set(printed.split('\n').filter((line) => /^\w+$/.test(line)));
    };
  }
  function agree(list: string, devices: readonly PciFunction[]): number {
    const ours = readModulesAlias(list, new ProblemList());
    const theirs = reader(list);
    let found = 0;
    for (const fn of devices) {
      const named = theirs(modalias(fn));
      expect([...modulesFor(fn, ours)].toSorted(), modalias(fn)).to.deep.equal(
        [...named].toSorted(),
      );
      found += named.size;
    }
    return found;
  }

  it(`finds the same ones for ${DEVICES} devices (seed ${SEED})`, function () {
    requireTool(this, 'modprobe');
    const patterns = fc.sample(pattern, { numRuns: 120, seed: SEED });
    const list = patterns.map((each, n) => `alias ${each} module-${n % 40}\n`).join('');
    const devices = fc.sample(device, { numRuns: DEVICES, seed: SEED + 1 });
    expect(agree(list, devices)).to.be.greaterThan(DEVICES / 4);
  });

  const odd = soaked(40, 500);
  it(`finds the same ones by ${odd} of the oddest patterns (seed ${SEED})`, function () {
    requireTool(this, 'modprobe');
    const patterns = fc.sample(oddPattern, { numRuns: odd, seed: SEED });
    const devices = fc.sample(device, { numRuns: 40, seed: SEED + 2 });
    let found = 0;
    for (let from = 0; from < odd; from += ODD_IN_A_LIST) {
      const some = patterns.slice(from, from + ODD_IN_A_LIST);
      found += agree(some.map((each, n) => `alias ${each} odd-${n % 20}\n`).join(''), devices);
    }
    expect(found).to.be.greaterThan(odd / 4);
  });

  const real = soaked(80, 2_000);
  it(`finds the same ones for ${real} devices in the list of Debian’s own kernel (seed ${SEED})`, function () {
    requireTool(this, 'modprobe');
    if (!existsSync(KERNEL_ALIASES)) {
      console.warn('      skipped: the kernel of Debian could not be fetched');
      this.skip();
    }
    const list = readFileSync(KERNEL_ALIASES, 'utf8');
    const patterns = list.split('\n').flatMap((line) => /^alias (pci:\S+) /.exec(line)?.[1] ?? []);
    expect(patterns.length).to.be.greaterThan(500);
    const hexOf = (text: string, name: string): number | null => {
      const value = new RegExp(`[0-9A-F:*]${name}([0-9A-F]+)`).exec(text)?.[1];
      return value === undefined ? null : parseInt(value, 16);
    };
    /** A device that a pattern of the list is for, with whatever the pattern leaves open. */
    const known = fc.tuple(fc.constantFrom(...patterns), device).map(([of, any]): PciFunction => ({
      ...any,
      vendor: hexOf(of, 'v') ?? any.vendor,
      device: hexOf(of, 'd') ?? any.device,
      subsystem: {
        vendor: hexOf(of, 'sv') ?? any.vendor,
        device: hexOf(of, 'sd') ?? any.device,
      },
      classCode: ((hexOf(of, 'bc') ?? 2) << 8) | (hexOf(of, 'sc') ?? 0),
      programmingInterface: hexOf(of, 'i') ?? any.programmingInterface,
    }));
    const found = agree(list, fc.sample(known, { numRuns: real, seed: SEED }));
    expect(found).to.be.greaterThan(real / 2);
  });
});
