/** Files of driver packages, as they lie in a folder. */
import type { PackageFile } from '../../src/core/drivers/index.ts';

export const packageFile = (name: string, content: string | Uint8Array): PackageFile => ({
  name,
  bytes: content.length,
  content,
});
