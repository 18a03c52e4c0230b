/** What other rooms than the core's take of this one. */
export { modalias, modulesFor, shellMatch } from './moduleMatching.ts';
export {
  type DriverChoice,
  type DriverLibrary,
  type OutranksBy,
  chooseDriver,
  driverForCard,
  isDriven,
  namesAny,
  packagesFor,
  toInstall,
} from './chooseDriver.ts';
export { cardQuery, functionQuery, instanceQuery, machineQuery } from './deviceQuery.ts';
export { type PackageRecord, packageRecords } from './packageRecords.ts';
export {
  type DrivenDevice,
  type PackageInspection,
  type PackagesInspection,
  type PackageFile,
  folderOf,
  inspectPackages,
  nameInArchive,
  saysOfDrivers,
} from './packageInspection.ts';
export { fewest, fewestSearch } from './fewest.ts';
export {
  type StickPackage,
  type StickSoFar,
  type StickStage,
  stickFiles,
  stickSearch,
} from './stick.ts';
export { type DeviceIdentities, pciIdentities } from './setup/identities.ts';
export { rankedDrivers } from './setup/ranking.ts';
export { installingOf, modelsFor } from './setup/sections.ts';
export { readSetupPackage, setupSaying } from './setup/setupPackage.ts';
export { type TargetSystem, readTarget } from './setup/target.ts';
export { compareVersions } from './classDrivers.ts';
