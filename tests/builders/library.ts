/** The demo's driver library with its files, as the server has them. */
import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { driverLibrary, type PackageFiles } from '../../demo/drivers.ts';

const FOLDER = 'demo/packages';

export const PACKAGE_FILES: PackageFiles = Object.fromEntries(
  readdirSync(FOLDER).flatMap((id) =>
    readdirSync(join(FOLDER, id)).map((name) => [
      `${id}/${name}`,
      readFileSync(join(FOLDER, id, name), 'utf8'),
    ]),
  ),
);

export const PACKAGES = driverLibrary(PACKAGE_FILES);
