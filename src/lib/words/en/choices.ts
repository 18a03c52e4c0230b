/** Codes that are chosen from in forms, in words. Apart from the others: no drawing and no plan says them. */
import type { Disposition, SLOT_STATES } from '$core/document';
import type { Drive, Statement } from '$core/parts';
import type { WANTED_DRIVES } from '$core/standards';

export const DISPOSITION_WORDS: Readonly<Record<Disposition, string>> = {
  stays: 'stays',
  optional: 'remove if something better needs the place',
  remove: 'remove',
};

export const WANTED_DRIVE_WORDS: Readonly<Record<(typeof WANTED_DRIVES)[number], string>> = {
  any: 'any',
  sata: 'SATA',
  m2: 'M.2, over the slot',
  m2Sata: 'M.2 that is a SATA drive',
};

/** How fast a graphics card draws. Common practice, no source. */
export const SPEED_CLASS_WORDS: readonly string[] = [
  '1 – desk work',
  '2 – 2D CAD',
  '3 – 3D CAD',
  '4 – heavy models, films',
  '5 – the heaviest',
];

export const DRIVE_FORM_WORDS: Readonly<Record<Drive['form'], string>> = {
  '3.5': '3.5 inch',
  '2.5': '2.5 inch',
  module: 'module',
};

export const STATEMENT_WORDS: Readonly<Record<Statement['says'], string>> = {
  listed: 'listed to work',
  tried: 'tried, and works',
  claimed: 'claimed to work',
  problem: 'known trouble',
  onlyThere: 'works there only',
};

export const SLOT_STATE_WORDS: Readonly<Record<(typeof SLOT_STATES)[number], string>> = {
  good: 'good',
  dirty: 'full of dust',
  capped: 'under a cap',
  dead: 'dead',
};
