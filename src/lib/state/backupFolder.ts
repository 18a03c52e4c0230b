/** The folder that backups are written to, where the browser lets one be chosen. */
import { shelved, toShelf } from './shelf';

const KEY = 'backup-folder';

/** What this needs of a folder; no browser but a few has it, so no library describes it yet. */
interface Folder {
  readonly name: string;
  getFileHandle(name: string, options: { create: boolean }): Promise<FileSystemFileHandle>;
  requestPermission?(how: { mode: 'readwrite' }): Promise<PermissionState>;
}

type Picker = (how: { mode: 'readwrite' }) => Promise<Folder>;

const picker = (): Picker | null =>
  (window as unknown as { showDirectoryPicker?: Picker }).showDirectoryPicker?.bind(window) ?? null;

export const canChooseFolder = (): boolean => picker() !== null;

export async function chosenFolder(): Promise<Folder | null> {
  const kept: { readonly name: string; getFileHandle?: unknown } | null = await shelved(KEY).catch(
    () => null,
  );
  // Anything may have a name; a folder hands out files.
  return typeof kept?.getFileHandle === 'function' ? (kept as Folder) : null;
}

/** Null where the technician chose none. */
export async function chooseFolder(): Promise<Folder | null> {
  try {
    const folder = (await picker()?.({ mode: 'readwrite' })) ?? null;
    if (folder !== null) await toShelf(KEY, folder);
    return folder;
  } catch {
    return null;
  }
}

/** False where the folder is gone or may not be written to: the file is downloaded then. */
export async function writeToFolder(folder: Folder, name: string, file: Blob): Promise<boolean> {
  try {
    const allowed = (await folder.requestPermission?.({ mode: 'readwrite' })) ?? 'granted';
    if (allowed !== 'granted') return false;
    const handle = await folder.getFileHandle(name, { create: true });
    const stream = await handle.createWritable();
    await stream.write(file);
    await stream.close();
    return true;
  } catch {
    return false;
  }
}
