/** What other rooms than the core's take of this one. */
export { type Problem, type ProblemCode, ProblemList } from './problem.ts';
export { decodeText } from './text.ts';
export { decodeConfigSpace } from './pci/configSpace.ts';
export { readLspci } from './pci/lspci.ts';
export {
  type PortWithSlot,
  type TreeNode,
  functionName,
  portTree,
  portsWithSlots,
} from './pci/ports.ts';
export { type FirmwareReading, type FirmwareSlot } from './firmware/firmware.ts';
export { readSmbios } from './firmware/smbios.ts';
export { readDmidecode } from './firmware/dmidecode.ts';
export { type ScreenReading, readEdid } from './screens/edid.ts';
export { type ReportedMode } from './screens/modes.ts';
export { readDeviceList } from './system/deviceList.ts';
export { readEthtool, readIpLink } from './system/linux.ts';
export { readModulesAlias } from './system/moduleAliases.ts';
export { type Inf, readInf } from './drivers/inf.ts';
export { nameIn, readIdList } from './idList.ts';
export { type EvidenceKind } from './readers.ts';
export { type ToolKind } from './results/tools.ts';
export {
  type Evidence,
  type FilesRead,
  type Known,
  type KnownLists,
  type Absent,
  absentIn,
  evidenceOf,
  readEvidence,
  readFiles,
} from './evidence.ts';
export { type EvidenceFile, type FileReport } from './fileReading.ts';
export { type MachinesApart } from './machinesApart.ts';
export {
  type JobFileReading,
  Picture,
  type Pictures,
  isNewerJob,
  problemsOf,
  readCurrentJob,
} from './storedJob.ts';
export { readKeptList, readStoredJob } from './anyFormat.ts';
export { readJobFile } from './jobFile.ts';
export {
  type KeptItems,
  type KeptKind,
  type KeptReading,
  readCurrentList,
  writeKeptList,
} from './keptList.ts';
export { type Repaired, repairedJob, repairedMachine } from './repair.ts';
export { readSmartctl } from './system/smartctl.ts';
export { type MeasuredRate } from './results/result.ts';
export { type KeptUnit, typedMeasure, unitOfName } from './typedMeasure.ts';
export { typedNumber } from './numberMarks.ts';
