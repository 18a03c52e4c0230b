/** Which modules a Linux system has for a device, against modprobe (kmod) reading the same list. */
import { expect } from 'chai';
import * as fc from 'fast-check';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  ProblemList,
  emptyFunction,
  modalias,
  modulesFor,
  readModulesAlias,
  type PciFunction,
} from '../../src/core/index.ts';
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

describe('Modules for a device against modprobe', () => {
  const folder = mkdtempSync(join(tmpdir(), 'tenant-kmod-'));
  after(() => rmSync(folder, { recursive: true }));

  it(`finds the same ones for ${DEVICES} devices (seed ${SEED})`, function () {
    requireTool(this, 'modprobe');
    const patterns = fc.sample(pattern, { numRuns: 120, seed: SEED });
    const list = patterns.map((each, n) => `alias ${each} module-${n % 40}\n`).join('');
    mkdirSync(join(folder, 'conf'));
    writeFileSync(join(folder, 'conf', 'list.conf'), list);
    mkdirSync(join(folder, 'lib/modules/any'), { recursive: true });
    const ours = readModulesAlias(list, new ProblemList());
    let found = 0;
    for (const fn of fc.sample(device, { numRuns: DEVICES, seed: SEED + 1 })) {
      const printed = runWithComplaints('modprobe', [
        ...['-C', join(folder, 'conf'), '-d', folder, '-S', 'any', '-R', modalias(fn)],
      ]);
      const theirs = new Set(printed.split('\n').filter((line) => /^module_\d+$/.test(line)));
      expect([...modulesFor(fn, ours)].toSorted(), modalias(fn)).to.deep.equal(
        [...theirs].toSorted(),
      );
      found += theirs.size;
    }
    expect(found).to.be.greaterThan(DEVICES / 4);
  });
});
