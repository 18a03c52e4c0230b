/** The stand-in's packages, with their files as they lie in the demo's folder. */
import { driverLibrary } from '$demo/drivers';

const found = import.meta.glob<string>('../../../../demo/packages/**/*', {
  query: '?raw',
  import: 'default',
  eager: true,
});

export const PACKAGE_FILES = Object.fromEntries(
  Object.entries(found).map(([path, content]) => [
    path.slice(path.indexOf('/packages/') + 10),
    content,
  ]),
);

export const PACKAGES = driverLibrary(PACKAGE_FILES);
