/** Driver packages that were dropped, as the worker finds them for this machine and plan. Kept until others are dropped. */
import { newCardsOf, type PackagesLook } from '$core';
import { askReader } from '$lib/workers/reader';
import type { DroppedFile } from '$lib/workers/readWork';
import type { JobModel } from '../jobModel.svelte';

export class PackagesAtHand {
  look = $state.raw<PackagesLook | null>(null);
  progress = $state.raw<{ readonly done: number; readonly of: number } | null>(null);
  failed = $state('');

  constructor(private readonly model: JobModel) {}

  private asked() {
    const cards = newCardsOf(this.model.assembly).map(({ card }) => card);
    return [this.model.job.machine, cards] as const;
  }

  /** @returns whether any of it was a driver’s */
  async read(files: readonly DroppedFile[]): Promise<boolean> {
    if (files.length === 0) return false;
    this.progress = { done: 0, of: files.length };
    this.failed = '';
    try {
      const look = await askReader((reader) => reader.lookAtPackages(files, ...this.asked()));
      if (look === null) return false;
      this.look = look;
      return look.packages.length > 0;
    } catch (error) {
      this.failed = String(error);
      return false;
    } finally {
      this.progress = null;
    }
  }

  /** The chosen packages as an archive, to be unpacked onto a stick. */
  async stick(page: string): Promise<Uint8Array | null> {
    this.failed = '';
    try {
      return await askReader((reader) => reader.writeStick(...this.asked(), page));
    } catch (error) {
      this.failed = String(error);
      return null;
    }
  }

  /** For the machine and the plan as they are now. */
  async again(): Promise<void> {
    if (this.look === null) return;
    const look = await askReader((reader) => reader.lookAgain(...this.asked()));
    if (look !== null) this.look = look;
  }
}

const kept = new WeakMap<JobModel, PackagesAtHand>();

/** Those of an open job: they stay while its stages come and go. */
export function packagesAtHand(model: JobModel): PackagesAtHand {
  const there = kept.get(model) ?? new PackagesAtHand(model);
  kept.set(model, there);
  return there;
}
