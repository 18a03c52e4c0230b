/** A sample of every kind of evidence, small and invented, for tests that want all of them. */
import { readFileSync } from 'node:fs';
import type { EvidenceFile } from '../../src/core/read/index.ts';
import { PLAIN_EDID, buildEdid } from './edid.ts';
import { reportJson, reportPropertyList, reportText, type ReportSpec } from './hardwareReport.ts';
import { ascii, buildDump, buildTable, type StructureSpec } from './smbios.ts';

const report = (name: string) =>
  readFileSync(
    new URL(`../../demo/evidence/lighthouse-museum.${name}.txt`, import.meta.url),
    'utf8',
  );

export const LSPCI = report('lspci');
export const REGISTERS = report('lspci-xxxx');

/** Records of the museum's machine: slot 7 claims eight lanes, of which its port has four. */
export const MUSEUM_RECORDS: readonly StructureSpec[] = [
  {
    type: 0,
    body: [1, 2, 0, 0, 3, 0x0f, 0, 0, 0, 0, 0, 0, 0, 0, 3, 0x08, 5, 1, 0xff, 0xff],
    strings: [ascii('Saltmarrow'), ascii('F7'), ascii('03/14/2019')],
  },
  { type: 1, body: [1, 2, 0, 0], strings: [ascii('Longreach'), ascii('T7')] },
  { type: 41, body: [1, 0x83, 1, 0, 0, 0, 0x10], strings: [ascii('Video of the board')] },
  ...(
    [
      ['GULL_TOP', 0xbd, 0x0d, 4, 2],
      ['GULL_X8', 0xb5, 0x0b, 3, 7],
    ] as const
  ).map(([label, type, width, usage, number]): StructureSpec => ({
    type: 9,
    body: [1, type, width, usage, 4, number, 0, 4, 0x08, 0xff, 0xff, 0xff, 0xff],
    strings: [ascii(label)],
  })),
];

export const SCREEN_BYTES = buildEdid({
  ...PLAIN_EDID,
  maker: 'GUL',
  product: 0x2704,
  name: 'Gullview 27',
  cta: {
    codes: [0x90, 97],
    hdmi: 68,
    hdmiCodes: [],
    deepColour: 0x10,
    forum: 120,
    frl: 0,
    only420: [],
    map420: null,
    modes: [],
  },
  displayId: null,
  missing: 0,
  checksumError: 0,
});

export const LSPCI_MACHINE = `Slot:\t00:1f.6
Class:\tEthernet controller [0200]
Vendor:\tBrinehollow [f1a1]
Device:\tWire 1 [2001]
SVendor:\tBrinehollow [f1a1]
SDevice:\tWire [0001]
Rev:\t10
Driver:\te1w
Module:\te1w
Module:\te1w_old

Slot:\t00:1f.3
Class:\tAudio device [0403]
Vendor:\tQuillbark [f1a6]
Device:\tReed [0007]
`;

export const OS_RELEASE = `PRETTY_NAME="Harbour Linux 4 (gull)"\nNAME="Harbour Linux"\nVERSION_ID="4"\n`;
const UNAME = 'Linux bench 6.1.0-18-amd64 #1 SMP PREEMPT_DYNAMIC x86_64 GNU/Linux\n';
export const ALIASES = `# Aliases extracted from modules themselves.
alias pci:v0000F1A1d00002001sv*sd*bc*sc*i* e1w
alias pci:v*d*sv*sd*bc04sc03i00* snd-quill
alias pci:v0000F1A1d0000200[0-9]sv*sd*bc*sc*i* e1w_old
`;
export const IP_LINK = JSON.stringify([
  { ifname: 'lo', link_type: 'loopback', operstate: 'UNKNOWN' },
  { ifname: 'enp3s0', link_type: 'ether', operstate: 'UP', mtu: 1500 },
  { ifname: 'enp4s0', link_type: 'ether', operstate: 'DOWN', mtu: 1500 },
]);
export const ETHTOOL = `Settings for enp3s0:
\tSupported ports: [ TP ]
\tSupported link modes:   100baseT/Half 100baseT/Full
\t                        1000baseT/Full
\t                        2500baseT/Full
\tSupports auto-negotiation: Yes
\tLink partner advertised link modes:  100baseT/Full
\t                                     1000baseT/Full
\tSpeed: 1000Mb/s
\tDuplex: Full
\tLink detected: yes
`;

const DEVICES = [
  {
    InstanceId: 'PCI\\VEN_F1A1&DEV_2001&SUBSYS_0001F1A1&REV_10\\3&1&0&B0',
    FriendlyName: 'Wire 1 adapter',
    Status: 'OK',
    Problem: 'CM_PROB_NONE',
    HardwareIds: [
      'PCI\\VEN_F1A1&DEV_2001&SUBSYS_0001F1A1&REV_10',
      'PCI\\VEN_F1A1&DEV_2001&CC_020000',
    ],
    LocationInfo: 'PCI bus 3, device 0, function 0',
    DriverVersion: '12.4.1',
    DriverProvider: 'Brinehollow',
    DriverDate: '2024-03-01',
    CurrentLinkSpeed: 2,
    CurrentLinkWidth: 1,
    MaxLinkSpeed: 3,
    MaxLinkWidth: 4,
  },
  {
    InstanceId: 'USB\\VID_F1A5&PID_0101\\7',
    FriendlyName: '',
    Status: 'Error',
    Problem: 'CM_PROB_FAILED_INSTALL',
  },
];
export const DEVICE_JSON = JSON.stringify({
  system: {
    Caption: 'Desktop system',
    Version: '10.0.22631',
    BuildNumber: '22631',
    OSArchitecture: '64-bit',
  },
  devices: DEVICES,
});
const csvField = (value: unknown) =>
  `"${(Array.isArray(value) ? value.join(';') : String(value ?? '')).replaceAll('"', '""')}"`;
const COLUMNS = Object.keys(DEVICES[0]!) as (keyof (typeof DEVICES)[0])[];
export const DEVICE_CSV = [
  '#TYPE Selected.Devices',
  COLUMNS.map(csvField).join(','),
  ...DEVICES.map((device) => COLUMNS.map((column) => csvField(device[column])).join(',')),
].join('\r\n');

/** UTF-16, little end first, with its mark, as the other system's shell redirects. */
export const utf16 = (text: string): Uint8Array =>
  Uint8Array.from([0xff, 0xfe, ...Buffer.from(text, 'utf16le')]);

export const PCI_IDS = `#\n#\tList of PCI ID's\n#
f1a0  Kelpwick Instruments
\t7020  Beacon 120
\t\tf1a0 0001  Beacon 120 with two fans
f1a1  Brinehollow Works
\t2001  Wire 1
C 03  Display controller
\t00  VGA compatible controller
`;
export const USB_IDS = `#\n#\tList of USB ID's\n#\nf1a5  Pellworth\n\t0101  Stick reader\n`;

const indented = (text: string): string =>
  text
    .split('\n')
    .map((line) => ` ${line}`)
    .join('\n');
export const BUNDLE = `tenant-survey 1
== system-facts
 uefi=yes
 secure-boot=yes
== uname
${indented(UNAME)}
== os-release
${indented(OS_RELEASE)}
== registers.txt
${indented(REGISTERS)}
== DMI.hex
${indented(Buffer.from(buildTable(MUSEUM_RECORDS)).toString('hex'))}
== edid-card0-DP-1.hex
${indented(Buffer.from(SCREEN_BYTES).toString('hex'))}
== loaded-drivers
 0000:00:00.0 harbour
!! names of devices: lspci is not on this system
== ethtool-enp3s0.txt
${indented(ETHTOOL)}
== end
`;

const HARDWARE: ReportSpec = {
  model: 'Longreach T7',
  version: 'macOS 12.6.1 (21G217)',
  cards: [
    {
      name: 'Wire 1',
      slotName: 'Slot-2',
      vendor: 0xf1a1,
      device: 0x2001,
      link: { generation: 3, width: 4 },
      driverInstalled: false,
      hotPlug: true,
    },
  ],
};

/** One file of each kind. */
const IPERF3 = JSON.stringify({
  start: { version: 'iperf 3.12', test_start: { num_streams: 1, reverse: 0 } },
  end: { sum_received: { bytes: 1.25e9, seconds: 10, bits_per_second: 1e9 } },
});
const FIO = JSON.stringify({
  'fio version': 'fio-3.33',
  jobs: [{ jobname: 'read', error: 0, read: { io_bytes: 8e9, bw_bytes: 4e8, runtime: 20_000 } }],
});
const COPIED = `${'folder/plate.raw\n'.repeat(3)}
sent 143,165,593 bytes  received 35 bytes  28,633,125.60 bytes/sec
1073741824 bytes (1.1 GB, 1.0 GiB) copied, 4 s, 268 MB/s
   Speed :           117440512 Bytes/sec.
`;
const RADIO =
  'Connected to 02:11:22:33:44:55 (on wlan0)\n\tfreq: 5180\n\ttx bitrate: 866.7 MBit/s\n';
const NVME = '{"critical_warning":0,"temperature":311,"avail_spare":100,"percent_used":7}';

export const EVERY_KIND: readonly EvidenceFile[] = [
  { name: 'lspci.txt', content: LSPCI },
  { name: 'registers.txt', content: REGISTERS },
  { name: 'lspci-vmm.txt', content: LSPCI_MACHINE },
  { name: 'dmi.bin', content: buildDump(MUSEUM_RECORDS) },
  { name: 'DMI', content: buildTable(MUSEUM_RECORDS) },
  { name: 'screen.bin', content: SCREEN_BYTES },
  { name: 'screen.b64', content: Buffer.from(SCREEN_BYTES).toString('base64') },
  { name: 'os-release', content: OS_RELEASE },
  { name: 'uname.txt', content: UNAME },
  { name: 'modules.alias', content: ALIASES },
  { name: 'ip.json', content: IP_LINK },
  { name: 'ethtool.txt', content: ETHTOOL },
  { name: 'machine.json', content: utf16(DEVICE_JSON) },
  { name: 'machine.csv', content: DEVICE_CSV },
  { name: 'hardware.txt', content: reportText(HARDWARE) },
  { name: 'hardware.json', content: reportJson(HARDWARE) },
  { name: 'hardware.plist', content: reportPropertyList(HARDWARE) },
  { name: 'wire.json', content: IPERF3 },
  { name: 'drive.json', content: FIO },
  { name: 'copy.txt', content: COPIED },
  { name: 'radio.txt', content: RADIO },
  { name: 'nvme.json', content: NVME },
  { name: 'runs.csv', content: 'Test,MB/s,Direction\nlarge,112,write\nsmall,14,read\n' },
  { name: 'pci.ids', content: PCI_IDS },
  { name: 'usb.ids', content: USB_IDS },
  { name: 'tenant-survey.txt', content: BUNDLE },
];
