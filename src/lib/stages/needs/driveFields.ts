/** The fields of a drive: numbers may stay empty, for what nobody told is not known. */
import { DRIVE_FORMS, MODULE_SIDES, WANTED_DRIVES } from '$core/standards';
import { Drive } from '$core/parts';
import { typedMeasure, unitOfName } from '$core/read';
import { DRIVE_FORM_WORDS, WANTED_DRIVE_WORDS } from '$words/choices';
import { MODULE_SIDE_WORDS } from '$words/things';
import { driveFields as texts } from '$words/stages/needs';

type Key = Exclude<keyof Drive, 'id' | 'serial'>;
type Option = readonly [value: string | null, label: string];

export type DriveField = { readonly key: Key; readonly label: string } & (
  | { readonly as: 'text' }
  | { readonly as: 'number'; readonly scale: number; readonly optional: boolean }
  | { readonly as: 'choice'; readonly options: readonly Option[] }
);

const MEGABYTE = 1e6;
const text = (key: Key, label: string): DriveField => ({ as: 'text', key, label });
const number = (key: Key, label: string, scale = 1, optional = true): DriveField => ({
  as: 'number',
  key,
  label,
  scale,
  optional,
});
const choice = (key: Key, label: string, ...options: readonly Option[]): DriveField => ({
  as: 'choice',
  key,
  label,
  options,
});

/** What tells one drive from another comes first; what decides of its place and power after it. */
export const DRIVE_FIELDS: readonly DriveField[] = [
  text('maker', texts.maker),
  text('model', texts.model),
  number('gigabytes', texts.sizeGb, 1, false),
  choice('medium', texts.kind, ['solidState', texts.solidState], ['hardDisk', texts.hardDisk]),
  choice('form', texts.form, ...DRIVE_FORMS.map((form): Option => [form, DRIVE_FORM_WORDS[form]])),
  choice(
    'socket',
    texts.socket,
    ...WANTED_DRIVES.filter((each) => each !== 'any').map((each): Option => [
      each,
      WANTED_DRIVE_WORDS[each],
    ]),
  ),
  number('readBytesPerSecond', texts.readsMbS, MEGABYTE),
  number('writeBytesPerSecond', texts.writesMbS, MEGABYTE),
  number('sustainedBytesPerSecond', texts.cacheFullMbS, MEGABYTE),
  number('ratedTerabytes', texts.ratedTbWritten),
  number('writtenTerabytes', texts.writtenSoFarTb),
  number('twelveVoltWatts', '12 V, W'),
  number('fiveVoltWatts', '5 V, W'),
  number('heightMm', texts.heightMm),
  choice(
    'sides',
    texts.chips,
    [null, texts.notTold],
    ...MODULE_SIDES.map((side): Option => [side, MODULE_SIDE_WORDS[side]]),
  ),
];

/** The value as a field shows it; empty for what nobody told. */
export const shownAs = (drive: Drive, field: DriveField): string => {
  const value = drive[field.key];
  if (value === null) return '';
  return field.as === 'number' ? String(Number(value) / field.scale) : String(value);
};

/** The drive with what was typed or chosen; null where that is nothing of the kind. */
export function withField(drive: Drive, field: DriveField, typed: string): Drive | null {
  const put = (value: unknown): Drive | null => {
    const changed = Drive.safeParse({ ...drive, [field.key]: value });
    return changed.success ? changed.data : null;
  };
  const trimmed = typed.trim();
  if (field.as === 'text') return put(trimmed.slice(0, 200));
  if (field.as === 'choice')
    return put(field.options.find(([value]) => String(value) === typed)?.[0] ?? null);
  if (trimmed === '') return field.optional ? put(null) : null;
  const value = typedMeasure(trimmed, unitOfName(field.key), field.scale);
  return value === null ? null : put(value);
}
