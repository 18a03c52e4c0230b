/** What a file of evidence is, and how the customer's machine is made to write one. */
import type { Absent, EvidenceKind, FileReport, ToolKind } from '$core/read';
import { ownValue } from '$core/paths';

type Counted = readonly [what: string, counted: string];

/** Tools that measure go by their own names. */
const KINDS: Readonly<Record<Exclude<EvidenceKind, ToolKind>, Counted>> = {
  bundle: ['file of the survey script', 'parts'],
  lspci: ['report of lspci', 'devices'],
  lspciMachine: ['report of lspci -vmm', 'devices'],
  pciconf: ['report of pciconf', 'devices'],
  attached: ['kernel’s list of attached devices', 'buses'],
  configSpace: ['registers of one device', 'device'],
  firmwareTable: ['table of the firmware', 'slots'],
  firmwareEntry: ['entry point of the firmware’s table', ''],
  dmidecode: ['report of dmidecode', 'slots'],
  edid: ['a screen’s own report', 'screen'],
  osRelease: ['name of the system', ''],
  uname: ['kernel', ''],
  modulesAlias: ['drivers the system has', 'names of devices'],
  ipLink: ['network ports', 'ports'],
  ethtool: ['network port', 'ports'],
  smartctl: ['what drives say of themselves', 'drives'],
  copies: ['what a copy tool counted', 'copies'],
  radio: ['what the radio is joined at', 'radio'],
  nvme: ['what NVMe drives say', 'results'],
  resultTable: ['table of measurements', 'rows'],
  hardwareReport: ['hardware report of the system', 'cards'],
  deviceList: ['device list of the system', 'devices with a place'],
  loadedDrivers: ['drivers in use', 'devices'],
  driverSetup: ['a driver’s setup file', 'devices'],
  links: ['links of the devices', 'links'],
  systemFacts: ['how the machine was started', 'facts'],
  pciIds: ['list of device names', 'names'],
  usbIds: ['list of USB names', 'names'],
};

export function reportWords({ kind, found }: FileReport): string {
  if (kind === null) return 'not known';
  const [what, counted] = ownValue(KINDS, kind) ?? [`measurement of ${kind}`, 'results'];
  return counted === '' ? what : `${what}: ${found} ${counted}`;
}

const ABSENT_WORDS: Readonly<Record<Absent, string>> = {
  devices: 'devices',
  slotPorts: 'slot ports',
  slotRecords: 'slot records of the firmware',
  screens: 'screens',
  system: 'the system',
};

/** Empty where nothing is missed. */
export const absentWords = (absent: readonly Absent[]): string =>
  absent.length === 0 ? '' : `Not in it: ${absent.map((each) => ABSENT_WORDS[each]).join(', ')}.`;

/** Each part of the survey that a bare terminal can write too. */
export const LINUX_COMMANDS: readonly string[] = [
  'sudo lspci -vvnn > machine.txt',
  'sudo lspci -nn -xxxx > registers.txt',
  'sudo dmidecode > firmware.txt',
];

/** On the third system: cards, system and machine in one file. */
export const THIRD_SYSTEM_COMMAND =
  'system_profiler -json SPPCIDataType SPSoftwareDataType SPHardwareDataType > machine.json';

/**
 * One line for the other system's own shell. Its property names are those of that system's device manager
 * interface (from memory).
 */
export const OTHER_SYSTEM_COMMAND = [
  '@{ system = Get-CimInstance Win32_OperatingSystem | Select-Object Caption,Version,BuildNumber,OSArchitecture;',
  'devices = @(Get-PnpDevice -PresentOnly | ForEach-Object { $p = @{};',
  '$_ | Get-PnpDeviceProperty | ForEach-Object { $p[$_.KeyName] = $_.Data };',
  '[pscustomobject]@{ InstanceId = $_.InstanceId; FriendlyName = $_.FriendlyName; Status = $_.Status;',
  'Problem = "$($_.Problem)"; HardwareIds = $p.DEVPKEY_Device_HardwareIds;',
  'LocationInfo = $p.DEVPKEY_Device_LocationInfo; DriverVersion = $p.DEVPKEY_Device_DriverVersion;',
  'DriverProvider = $p.DEVPKEY_Device_DriverProvider; Service = $p.DEVPKEY_Device_Service; DriverDate = "$($p.DEVPKEY_Device_DriverDate)";',
  'CurrentLinkSpeed = $p.DEVPKEY_PciDevice_CurrentLinkSpeed; CurrentLinkWidth = $p.DEVPKEY_PciDevice_CurrentLinkWidth;',
  'MaxLinkSpeed = $p.DEVPKEY_PciDevice_MaxLinkSpeed; MaxLinkWidth = $p.DEVPKEY_PciDevice_MaxLinkWidth } }) }',
  '| ConvertTo-Json -Depth 4 > machine.json',
].join(' ');
