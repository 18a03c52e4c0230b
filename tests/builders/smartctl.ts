/** Drives as `smartctl --json -a` prints them, after smartctl(8) (from memory): as far as anything reads it, and a little more. */
export interface SmartSpec {
  readonly model: string;
  readonly serial: string;
  readonly bytes: number;
  /** Turns a minute; zero: nothing turns. */
  readonly turns: number;
  readonly form: string | null;
  readonly passed: boolean | null;
}

const HEAD = {
  json_format_version: [1, 0],
  smartctl: { version: [7, 3], argv: ['smartctl', '--json', '-a', '/dev/x'], exit_status: 0 },
};
const common = ({ model, serial, bytes, passed }: SmartSpec) => ({
  ...HEAD,
  model_name: model,
  serial_number: serial,
  user_capacity: { blocks: bytes / 512, bytes },
  logical_block_size: 512,
  ...(passed === null ? {} : { smart_status: { passed } }),
});

/** @param statistics sectors written, as the standard counts them @param attribute the maker's own count */
export const ataReport = (
  spec: SmartSpec,
  statistics: number | null,
  attribute: readonly [name: string, value: number] | null,
): object => ({
  ...common(spec),
  device: { name: '/dev/sda', info_name: '/dev/sda [SAT]', type: 'sat', protocol: 'ATA' },
  rotation_rate: spec.turns,
  ...(spec.form === null ? {} : { form_factor: { ata_value: 3, name: spec.form } }),
  interface_speed: { current: { string: '6.0 Gb/s' } },
  ata_smart_attributes: {
    revision: 1,
    table: [
      { id: 9, name: 'Power_On_Hours', raw: { value: 12_345, string: '12345' } },
      ...(attribute === null
        ? []
        : [{ id: 241, name: attribute[0], raw: { value: attribute[1], string: '' } }]),
    ],
  },
  ...(statistics === null
    ? {}
    : {
        ata_device_statistics: {
          pages: [
            {
              number: 1,
              table: [{ offset: 24, name: 'Logical Sectors Written', value: statistics }],
            },
          ],
        },
      }),
});

export const nvmeReport = (spec: SmartSpec, units: number, percent: number): object => ({
  ...common(spec),
  device: { name: '/dev/nvme0', info_name: '/dev/nvme0', type: 'nvme', protocol: 'NVMe' },
  nvme_smart_health_information_log: {
    critical_warning: 0,
    temperature: 38,
    percentage_used: percent,
    data_units_read: 1,
    data_units_written: units,
  },
});
