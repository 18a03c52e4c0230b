/** Kinds of things bought beside cards, and in which unit each kind's limit is told. */
export const EXTRA_KINDS = [
  'bracket',
  'plugAdapter',
  'screenAdapter',
  'loopLead',
  'powerLead',
  'headerLead',
  'driveCable',
  'bay',
  'openingJack',
  'aerial',
  'support',
  'thermalPad',
  'cover',
  'screws',
  'supply',
  'networkCable',
  'networkSwitch',
  'networkModule',
  'outsideLead',
] as const;
export type ExtraKind = (typeof EXTRA_KINDS)[number];

/** Of these, what may lie in the box of a card. */
export const BOX_KINDS = [
  'plugAdapter',
  'screenAdapter',
  'loopLead',
  'headerLead',
  'driveCable',
  'openingJack',
  'aerial',
  'support',
  'thermalPad',
  'networkModule',
] as const satisfies readonly ExtraKind[];

export const EXTRA_LIMIT_UNITS: Readonly<Partial<Record<ExtraKind, 'W' | 'mm'>>> = {
  plugAdapter: 'W',
  powerLead: 'mm',
  headerLead: 'mm',
  driveCable: 'mm',
  openingJack: 'mm',
  aerial: 'mm',
  supply: 'W',
  networkCable: 'mm',
  outsideLead: 'mm',
};
