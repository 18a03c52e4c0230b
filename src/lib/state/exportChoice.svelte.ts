/** What goes out with a file or a sheet: ticked once, remembered in this browser. */
import type { ExportChoice } from '$core/write';
import { shelved, toShelf } from './shelf';

const KEY = 'export-choice';

class Remembered {
  /** Until told otherwise nothing goes out that names a person or a device, and no picture. */
  current = $state.raw<ExportChoice>({
    customer: false,
    serials: false,
    photographs: false,
    words: false,
  });
  private isRead = false;

  async read(): Promise<void> {
    if (this.isRead) return;
    this.isRead = true;
    const kept = await shelved(KEY).catch(() => null);
    if (kept !== null) this.current = { ...kept, words: kept.words ?? false };
  }

  tick(what: keyof ExportChoice, is: boolean): void {
    this.current = { ...this.current, [what]: is };
    void toShelf(KEY, this.current).catch(() => undefined);
  }
}

export const exportChoice = new Remembered();
