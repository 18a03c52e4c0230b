/** What goes out with a file or a sheet: ticked once, remembered in this browser. */
import * as z from 'zod/mini';
import type { ExportChoice } from '$core';
import { shelved, toShelf } from './stores';

const KEY = 'export-choice';
const Choice = z.object({ customer: z.boolean(), serials: z.boolean(), photographs: z.boolean() });

class Remembered {
  /** Until told otherwise nothing goes out that names a person or a device, and no picture. */
  current = $state.raw<ExportChoice>({ customer: false, serials: false, photographs: false });
  private isRead = false;

  async read(): Promise<void> {
    if (this.isRead) return;
    this.isRead = true;
    const kept = Choice.safeParse(await shelved<unknown>(KEY).catch(() => null));
    if (kept.success) this.current = kept.data;
  }

  tick(what: keyof ExportChoice, is: boolean): void {
    this.current = { ...this.current, [what]: is };
    void toShelf(KEY, this.current).catch(() => undefined);
  }
}

export const exportChoice = new Remembered();
