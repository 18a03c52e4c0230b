/** Driver packages that were dropped, as the worker finds them for this machine and plan. Kept until others are dropped. */
import * as z from 'zod/mini';
import { proxy } from 'comlink';
import { newCardsOf, packagesWanted } from '$core/assembly';
import type { DriverPackage } from '$core/document';
import type { PackagesInspection, StickPackage, StickSoFar } from '$core/drivers';
import { fetched } from '$lib/state/fetched';
import type { DroppedFile, LeftOut } from '$lib/workers/packageFiles';
import { askPackages } from '$lib/workers/packages';
import { sha256 } from '$lib/workers/sha256';
import type { JobModel } from '../jobModel.svelte';
import { packagesAtHand as texts } from '$words/stages/drivers';

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
  look = $state.raw<PackagesInspection | null>(null);
  leftOut = $state.raw<readonly LeftOut[]>([]);
  progress = $state.raw<{
    readonly done: number;
    readonly of: number;
    readonly unit: 'files' | 'bytes';
  } | null>(null);
  /** What goes on a stick, as far as it is chosen; null before it is. */
  stick = $state.raw<StickSoFar | null>(null);
  isChoosing = $state(false);
  /** Bytes of the stick that are written; null while none is. */
  written = $state<number | null>(null);
  /** In a whole sentence; empty: nothing. */
  failed = $state('');
  /** What is looked at, and the name by which the worker holds it: a worker that was ended holds nothing. */
  private dropped: readonly DroppedFile[] = [];
  private id = '';
  /** The last choosing: what one before it finds is of another machine or plan. */
  private turn = 0;

  constructor(private readonly model: JobModel) {}

  private asked() {
    const cards = newCardsOf(this.model.assembly).map(({ card }) => card);
    return [this.model.job.machine, cards] as const;
  }

  /** @returns whether any of it was a driver’s */
  async read(files: readonly DroppedFile[]): Promise<boolean> {
    if (files.length === 0) return false;
    this.failed = '';
    const id = crypto.randomUUID();
    try {
      if (!(await this.open(files, id))) return false;
      [this.dropped, this.id] = [files, id];
      await this.lookAgain();
      return (this.look?.packages.length ?? 0) > 0;
    } catch (error) {
      this.failed = texts.theyCouldNotBeRead(String(error));
      return false;
    }
  }

  /** @returns false where it was stopped: what was there before stays */
  private async open(files: readonly DroppedFile[], id: string): Promise<boolean> {
    const onBytes = proxy(
      (done: number, of: number) => (this.progress = { done, of, unit: 'bytes' }),
    );
    this.progress = { done: 0, of: 1, unit: 'bytes' };
    try {
      const opened = await askPackages((work) => work.open(files, id, onBytes).then(() => true));
      return opened === true;
    } finally {
      this.progress = null;
    }
  }

  /** Asks the worker that holds the packages; one that was ended meanwhile opens them first. Null where it was stopped. */
  private async ask<Answer>(
    question: Parameters<typeof askPackages<Answer>>[0],
  ): Promise<Answer | null> {
    const holds = await askPackages((work) => work.holds(this.id));
    if (holds !== true && !(await this.open(this.dropped, this.id))) return null;
    return askPackages(question);
  }

  private async lookAgain(): Promise<void> {
    const looked = await this.ask((work) => work.look(...this.asked()));
    if (looked === null) return;
    this.look = looked.look;
    this.leftOut = looked.leftOut;
    await this.choose();
  }

  /** The fewest packages: they are sought beside everything else, and shown as they are found. */
  private async choose(): Promise<void> {
    this.turn += 1;
    const { turn } = this;
    const take = (soFar: StickSoFar | null) => {
      if (turn === this.turn && soFar !== null) this.stick = soFar;
    };
    this.isChoosing = true;
    try {
      const onBetter = proxy(take);
      take(await this.ask((work) => work.choose(onBetter)));
    } finally {
      if (turn === this.turn) this.isChoosing = false;
    }
  }

  stopChoosing = (): void => void askPackages((work) => work.stopChoosing());

  /** From the driver library: what is to be installed, each file held against the sum that its maker publishes. */
  async download(): Promise<void> {
    const wanted = packagesWanted(this.model.job)
      .map((each) => each.package)
      .filter(({ files }) => files.length > 0);
    this.failed = '';
    this.progress = { done: 0, of: wanted.length, unit: 'files' };
    const got: DroppedFile[] = [];
    for (const each of wanted) {
      const files = await fetched(`/api/drivers/${each.id}`, PACKAGE_FILES);
      const wrong = files === null ? null : await firstWrong(each.files, files);
      if (files === null) this.failed = texts.couldNotBeDownloadedTry(each.title, each.version);
      else if (wrong !== null)
        this.failed = texts.isNotWhatItsMaker(each.title, each.version, wrong);
      else got.push(...files.map(({ name, content }) => ({ name: `${each.id}/${name}`, content })));
      if (this.failed !== '') break;
      this.progress = { done: got.length, of: wanted.length, unit: 'files' };
    }
    this.progress = null;
    if (this.failed === '') await this.read(got);
  }

  /** Has the job keep what of these packages is for it: from then on they count like those of the library. */
  async keep(): Promise<void> {
    const records = await this.ask((work) => work.records(...this.asked()));
    if (records !== null && records.length > 0)
      this.model.open.run({ name: 'keepPackages', packages: records });
  }

  /** The packages as they are shown, as an archive to be unpacked onto a stick; null where there is none. */
  async write(stick: readonly StickPackage[], page: string): Promise<Blob | null> {
    this.failed = '';
    this.written = 0;
    const onBytes = proxy((done: number) => (this.written = done));
    try {
      return await this.ask((work) => work.writeStick(stick, page, onBytes));
    } catch (error) {
      this.failed = texts.theStickCouldNotBe(
        error instanceof Error ? error.message : String(error),
      );
      return null;
    } finally {
      this.written = null;
    }
  }

  /** For the machine and the plan as they are now. */
  async again(): Promise<void> {
    if (this.look !== null) await this.lookAgain();
  }
}

const kept = new WeakMap<JobModel, PackagesAtHand>();

/** Those of an open job: they stay while its stages come and go. */
export function packagesAtHand(model: JobModel): PackagesAtHand {
  const there = kept.get(model) ?? new PackagesAtHand(model);
  kept.set(model, there);
  return there;
}
