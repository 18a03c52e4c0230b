/**
 * What a drive says of itself, as `smartctl --json` prints it: model, size, kind, health, and how much was written. Source:
 * smartctl(8) and the field names of its JSON (from memory). Rated speeds, height and watts are no part of it.
 */
import * as z from 'zod/mini';
import { emptyDrive, type Drive } from '../../parts/drive.ts';
import { MOST, clipped } from '../../parts/limits.ts';
import { upTo, type ProblemList } from '../problem.ts';
import { driveSeen, jsonIn, type DriveSeen } from '../results/result.ts';
import type { TextReader } from '../reader.ts';

export const smartctl = {
  kind: 'smartctl',
  head: [/"smartctl"\s{0,9}:\s{0,9}\{/],
  read(text, problems) {
    const drives = readSmartctl(text, problems);
    return { found: drives.length, says: { drives, results: readTemperatures(text) } };
  },
} satisfies TextReader;

const number = z.optional(z.number().check(z.nonnegative()));
const words = z.optional(z.string());

const Report = z.object({
  device: z.optional(z.object({ protocol: words, name: words })),
  model_name: words,
  serial_number: words,
  user_capacity: z.optional(z.object({ bytes: number })),
  nvme_total_capacity: number,
  logical_block_size: number,
  /** Turns a minute; zero: nothing turns. */
  rotation_rate: number,
  form_factor: z.optional(z.object({ name: words })),
  smart_status: z.optional(z.object({ passed: z.optional(z.boolean()) })),
  ata_smart_attributes: z.optional(
    z.object({
      table: z.array(
        z.object({ name: words, raw: z.optional(z.object({ value: z.optional(z.number()) })) }),
      ),
    }),
  ),
  ata_device_statistics: z.optional(
    z.object({
      pages: z.optional(
        z.array(z.object({ table: z.optional(z.array(z.object({ name: words, value: number }))) })),
      ),
    }),
  ),
  endurance_used: z.optional(z.object({ current_percent: number })),
  nvme_smart_health_information_log: z.optional(
    z.object({ data_units_written: number, percentage_used: number }),
  ),
});
type Report = z.infer<typeof Report>;

/** A unit of data in an NVMe drive's log. Source: NVM Express Base Specification: a thousand sectors of 512 bytes (from memory). */
const NVME_UNIT_BYTES = 512_000;
const MEBIBYTE = 2 ** 20;
const SECTOR_BYTES = 512;
const TERABYTE = 1e12;
const GIGABYTE = 1e9;

/** What makers call the count of what was written, in how many bytes each (from memory of drives’ own tables). */
export const WRITTEN_UNITS: Readonly<Record<string, number>> = {
  Total_LBAs_Written: SECTOR_BYTES,
  Host_Writes_32MiB: 32 * MEBIBYTE,
  Host_Writes_MiB: MEBIBYTE,
  Host_Writes_GiB: 1024 * MEBIBYTE,
  Lifetime_Writes_GiB: 1024 * MEBIBYTE,
  Total_Writes_GiB: 1024 * MEBIBYTE,
  Total_Writes_GB: GIGABYTE,
};

/** What drives say of their temperature and wear, of what was read as drives. */
function readTemperatures(input: string): readonly DriveSeen[] {
  const data = jsonIn(input);
  return (Array.isArray(data) ? data : [data]).flatMap((each: unknown): readonly DriveSeen[] => {
    const report = Warm.safeParse(each);
    if (!report.success) return [];
    const { temperature, nvme_smart_health_information_log: log, endurance_used } = report.data;
    return driveSeen(temperature.current, log?.percentage_used ?? endurance_used?.current_percent);
  });
}
const Warm = z.object({
  temperature: z.object({ current: z.number() }),
  endurance_used: z.optional(z.object({ current_percent: number })),
  nvme_smart_health_information_log: z.optional(z.object({ percentage_used: number })),
});

/** From this share on a drive’s own reckoning of its wear says how much it is good for. */
const LEAST_PERCENT = 5;

/** One drive, or a list of them. Never throws: what cannot be read is a problem. */
export function readSmartctl(input: string, problems: ProblemList): readonly Drive[] {
  let data: unknown;
  try {
    data = JSON.parse(input);
  } catch {
    problems.add({ code: 'file.notJson', line: 1 });
    return [];
  }
  const drives = (Array.isArray(data) ? data : [data]).flatMap((each: unknown) => {
    const report = Report.safeParse(each);
    return report.success ? driveOf(report.data) : [];
  });
  if (drives.length === 0)
    problems.add({ code: 'report.noDrive', line: 1, expected: 'user_capacity, model_name' });
  return upTo(
    MOST.drives,
    drives.map((drive, n) => ({ ...drive, id: `read-${n + 1}` })),
    'drives',
    problems,
  );
}

function driveOf(report: Report): readonly Drive[] {
  const bytes = report.user_capacity?.bytes ?? report.nvme_total_capacity ?? 0;
  const gigabytes = Math.round(bytes / GIGABYTE);
  const model = report.model_name?.trim() ?? '';
  if (gigabytes < 1 || gigabytes > 1e7 || model === '') return [];
  const isNvme =
    report.device?.protocol?.toLowerCase() === 'nvme' ||
    report.nvme_smart_health_information_log !== undefined;
  const turns = !isNvme && (report.rotation_rate ?? 0) > 0;
  const writtenTerabytes = terabytes(writtenBytes(report));
  const { passed } = report.smart_status ?? {};
  return [
    emptyDrive('read', gigabytes, {
      model: clipped(model),
      medium: turns ? 'hardDisk' : 'solidState',
      socket: isNvme ? 'm2' : isModule(report) ? 'm2Sata' : 'sata',
      form:
        isNvme || isModule(report)
          ? 'module'
          : /3\.5/.test(report.form_factor?.name ?? '')
            ? '3.5'
            : '2.5',
      writtenTerabytes,
      ratedTerabytes: reckonedTerabytes(report, writtenTerabytes),
      failing: passed === undefined ? null : !passed,
      serial: clipped(report.serial_number?.trim() ?? ''),
    }),
  ];
}

const isModule = ({ form_factor }: Report): boolean => /m\.2/i.test(form_factor?.name ?? '');

/** The log of an NVMe drive, else the statistics that the standard names, else the maker’s own attribute. */
function writtenBytes(report: Report): number | null {
  const units = report.nvme_smart_health_information_log?.data_units_written;
  if (units !== undefined) return units * NVME_UNIT_BYTES;
  const sectors = report.ata_device_statistics?.pages
    ?.flatMap(({ table }) => table ?? [])
    .find(({ name }) => name === 'Logical Sectors Written')?.value;
  if (sectors !== undefined) return sectors * (report.logical_block_size ?? SECTOR_BYTES);
  for (const { name = '', raw } of report.ata_smart_attributes?.table ?? []) {
    const each = Object.hasOwn(WRITTEN_UNITS, name) ? WRITTEN_UNITS[name] : undefined;
    if (each !== undefined && raw?.value !== undefined && raw.value >= 0) return raw.value * each;
  }
  return null;
}

/** To a hundredth. Null where no drive could have written as much. */
const terabytes = (bytes: number | null): number | null =>
  bytes === null || bytes / TERABYTE > 1e6 ? null : Math.round(bytes / (TERABYTE / 100)) / 100;

/** What the drive itself reckons that it is good for: so much was written, and that is so much of it. */
function reckonedTerabytes(report: Report, written: number | null): number | null {
  const percent =
    report.nvme_smart_health_information_log?.percentage_used ??
    report.endurance_used?.current_percent;
  if (percent === undefined || percent < LEAST_PERCENT || written === null || written === 0)
    return null;
  return Math.round((written / percent) * 100);
}
