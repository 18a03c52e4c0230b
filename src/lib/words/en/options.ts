/** Choices in the columns of the catalogue. */
import { CARD_OPTION_WORDS } from './kinds/words';
import { BOOT_WORDS, EXTRA_KIND_WORDS } from './things';

/** Choices in the columns of the catalogue; what is not here is written as it is. */
export const OPTION_WORDS: Readonly<Record<string, string>> = {
  ...Object.fromEntries(Object.entries(EXTRA_KIND_WORDS)),
  ...CARD_OPTION_WORDS,
  pcie: 'PCI Express',
  pci: 'classic PCI',
  m2: 'M.2',
  sata: 'SATA',
  ...BOOT_WORDS,
  copper: 'copper',
  sfp: 'SFP',
  universal: 'universal',
  yes: 'yes',
  no: 'no',
  full: 'full height',
  low: 'low profile',
};
