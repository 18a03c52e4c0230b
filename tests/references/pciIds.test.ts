/** The invented world stays invented: nothing of the demo stands in the open PCI id list. */
import { readFileSync, existsSync } from 'node:fs';
import { expect } from 'chai';
import { hex4 } from '../../src/core/parts/index.ts';
import { readLspci } from '../../src/core/read/index.ts';
import { CARDS } from '../../demo/catalogue/cards.ts';
import { PACKAGE_FILES, PACKAGES } from '../builders/library.ts';

const LIST = '/usr/share/misc/pci.ids';
const EVIDENCE = new URL('../../demo/evidence/', import.meta.url);

describe('Demo identities against the open PCI id list', () => {
  let vendors = new Map<string, string>();
  before(function () {
    if (!existsSync(LIST)) {
      console.warn(`      skipped: ${LIST} is not on this machine`);
      this.skip();
    }
    vendors = new Map(
      [...readFileSync(LIST, 'utf8').matchAll(/^([0-9a-f]{4}) {2}(.+)$/gm)].map(
        ([, code, name]) => [code ?? '', (name ?? '').toLowerCase()],
      ),
    );
    expect(vendors.size).to.be.greaterThan(2000);
  });

  it('has no demo vendor number assigned', () => {
    const evidence = ['lighthouse-museum.lspci.txt', 'lighthouse-museum.lspci-xxxx.txt'].flatMap(
      (name) => readLspci(readFileSync(new URL(name, EVIDENCE), 'utf8')).functions,
    );
    const used = new Set([
      ...CARDS.map(({ ids }) => hex4(ids.vendor)),
      ...Object.values(PACKAGE_FILES).flatMap((text) =>
        [...text.matchAll(/VEN_([0-9A-F]{4})|v0000([0-9A-F]{4})/g)].map(([, setup, alias]) =>
          (setup ?? alias ?? '').toLowerCase(),
        ),
      ),
      ...evidence.flatMap((fn) => [
        hex4(fn.vendor),
        ...(fn.subsystem ? [hex4(fn.subsystem.vendor)] : []),
      ]),
    ]);
    expect(used.size).to.be.greaterThan(5);
    for (const vendor of used) expect(vendors.has(vendor), vendor).to.equal(false);
  });

  it('has no demo maker as a vendor’s name or a word of one', () => {
    const words = new Set([...vendors.values()].flatMap((name) => name.split(/[^a-z0-9]+/)));
    for (const maker of new Set([...CARDS, ...PACKAGES].map((each) => each.maker.toLowerCase()))) {
      expect(words.has(maker), maker).to.equal(false);
    }
  });
});
