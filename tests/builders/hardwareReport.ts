/**
 * Cards as the third system's hardware report prints them, in its three forms, after system_profiler(8) (from memory): the
 * text names fields for people, the other two by keys with the prefix of their section.
 */
import type { ReportedCard } from '../../src/core/read/system/hardwareReport.ts';

export interface ReportSpec {
  readonly cards: readonly ReportedCard[];
  readonly version: string;
  readonly model: string;
}

const SPEEDS = ['', '2.5', '5.0', '8.0', '16.0', '32.0'];
const hex = (value: number) => `0x${value.toString(16).padStart(4, '0')}`;
const said = (is: boolean) => (is ? 'Yes' : 'No');

/** Fields of a card: what the text calls them, the key of the other forms, and the value; in no order that matters. */
const fieldsOf = (card: ReportedCard): readonly (readonly [string, string, string])[] => [
  ['Type', 'sppci_device_type', 'Ethernet Controller'],
  ...(card.driverInstalled === null
    ? []
    : [['Driver Installed', 'sppci_driver-installed', said(card.driverInstalled)] as const]),
  ['MSI', 'sppci_msi', 'Yes'],
  ['Bus', 'sppci_bus', 'PCI'],
  ...(card.slotName === null ? [] : [['Slot', 'sppci_slot_name', card.slotName] as const]),
  ['Vendor ID', 'sppci_vendor-id', hex(card.vendor)],
  ['Device ID', 'sppci_device-id', hex(card.device)],
  ['Revision ID', 'sppci_revision-id', '0x0001'],
  ...(card.link === null
    ? []
    : ([
        ['Link Width', 'sppci_link-width', `x${card.link.width}`],
        ['Link Speed', 'sppci_link-speed', `${SPEEDS[card.link.generation ?? 0] ?? ''} GT/s`],
      ] as const)),
  ...(card.hotPlug === null
    ? []
    : [['Tunnel Compatible', 'sppci_tunnel-compatible', said(card.hotPlug)] as const]),
  ['Pause Compatible', 'sppci_pause-compatible', 'No'],
];

export const reportText = ({ cards, version, model }: ReportSpec): string =>
  [
    'Hardware:',
    '',
    '    Hardware Overview:',
    '',
    `      Model Name: ${model}`,
    '      Memory: 32 GB',
    '',
    'PCI:',
    '',
    ...cards.flatMap((card) => [
      `    ${card.name}:`,
      '',
      ...fieldsOf(card).map(([name, , value]) => `      ${name}: ${value}`),
      '',
    ]),
    'Software:',
    '',
    '    System Software Overview:',
    '',
    `      System Version: ${version}`,
    '      Kernel Version: 21.6.0',
    '',
  ].join('\n');

const record = (card: ReportedCard) => ({
  _name: card.name,
  ...Object.fromEntries(fieldsOf(card).map(([, key, value]) => [key, value])),
});

const sections = ({ cards, version, model }: ReportSpec) => ({
  SPHardwareDataType: [{ _name: 'hardware_overview', machine_name: model }],
  SPPCIDataType: cards.map(record),
  SPSoftwareDataType: [{ _name: 'os_overview', os_version: version, uptime: 'up 0:1:2:3' }],
});

export const reportJson = (spec: ReportSpec): string => JSON.stringify(sections(spec), null, 2);

const escaped = (text: string) => text.replaceAll('&', '&amp;').replaceAll('<', '&lt;');
const dictOf = (of: Readonly<Record<string, string>>) =>
  `<dict>${Object.entries(of)
    .map(([key, value]) => `\n<key>${key}</key>\n<string>${escaped(value)}</string>`)
    .join('')}\n</dict>`;

export const reportPropertyList = (spec: ReportSpec): string =>
  [
    '<?xml version="1.0" encoding="UTF-8"?>',
    '<!DOCTYPE plist PUBLIC "-//System//DTD PLIST 1.0//EN" "file://localhost/PropertyList-1.0.dtd">',
    '<plist version="1.0">',
    '<array>',
    ...Object.entries(sections(spec)).map(
      ([type, items]) =>
        `<dict>\n<key>_SPCompletionInterval</key>\n<real>0.1</real>\n<key>_dataType</key>\n<string>${type}</string>\n` +
        `<key>_isolated</key>\n<true/>\n<key>_items</key>\n<array>\n${items.map((item) => dictOf(item as unknown as Record<string, string>)).join('\n')}\n</array>\n</dict>`,
    ),
    '</array>',
    '</plist>',
    '',
  ].join('\n');
