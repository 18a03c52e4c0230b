/** Driver packages that were dropped, as the worker finds them for this machine and plan. Kept until others are dropped. */
import * as z from 'zod/mini';
import { newCardsOf, packagesWanted, type DriverPackage, type PackagesLook } from '$core';
import { fetched } from '$lib/state/fetched';
import { sha256 } from '$lib/workers/sha256';
import { askReader } from '$lib/workers/reader';
import type { DroppedFile } from '$lib/workers/readWork';
import type { JobModel } from '../jobModel.svelte';

const PACKAGE_FILES = z.array(z.object({ name: z.string(), content: z.string() }));

/** The name of a file that is missing or otherwise than published; null where all are as they should be. */
async function firstWrong(
  published: DriverPackage['files'],
  files: z.infer<typeof PACKAGE_FILES>,
): Promise<string | null> {
  for (const { name, sha256: sum } of published) {
    const content = files.find((each) => each.name === name)?.content;
    if (content === undefined || (await sha256(new TextEncoder().encode(content))) !== sum)
      return name;
  }
  return null;
}

export class PackagesAtHand {
  look = $state.raw<PackagesLook | null>(null);
  progress = $state.raw<{ readonly done: number; readonly of: number } | null>(null);
  /** In a whole sentence; empty: nothing. */
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
      this.failed = `They could not be read: ${String(error)}`;
      return false;
    } finally {
      this.progress = null;
    }
  }

  /** From the driver library: what is to be installed, each file held against the sum that its maker publishes. */
  async download(): Promise<void> {
    const wanted = packagesWanted(this.model.job)
      .map((each) => each.package)
      .filter(({ files }) => files.length > 0);
    this.failed = '';
    this.progress = { done: 0, of: wanted.length };
    const got: DroppedFile[] = [];
    for (const each of wanted) {
      const files = await fetched(`/api/drivers/${each.id}`, PACKAGE_FILES);
      const wrong = files === null ? null : await firstWrong(each.files, files);
      if (files === null)
        this.failed = `${each.title} ${each.version} could not be downloaded. Try again once the library can be reached.`;
      else if (wrong !== null)
        this.failed = `${each.title} ${each.version}: ${wrong} is not what its maker published. It was not taken.`;
      else got.push(...files.map(({ name, content }) => ({ name: `${each.id}/${name}`, content })));
      if (this.failed !== '') break;
      this.progress = { done: got.length, of: wanted.length };
    }
    this.progress = null;
    if (this.failed === '') await this.read(got);
  }

  /** Has the job keep what of these packages is for it: from then on they count like those of the library. */
  async keep(): Promise<void> {
    const records = await askReader((reader) => reader.packageRecords(...this.asked()));
    if (records !== null && records.length > 0)
      this.model.open.run({ name: 'keepPackages', packages: records });
  }

  /** The chosen packages as an archive, to be unpacked onto a stick. */
  async stick(page: string): Promise<Uint8Array | null> {
    this.failed = '';
    try {
      return await askReader((reader) => reader.writeStick(...this.asked(), page));
    } catch (error) {
      this.failed = `The stick could not be written: ${String(error)}`;
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
