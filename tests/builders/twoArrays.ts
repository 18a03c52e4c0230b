/** A job in which two needs each name their drives, and one card takes all of them: at the step before they are prepared. */
import { apply } from '../../src/core/commands/index.ts';
import { emptyDrive } from '../../src/core/parts/index.ts';
import { plainNeed, type Need } from '../../src/core/kinds/index.ts';
import { steps, type Step } from '../../src/core/procedure/index.ts';
import type { Job } from '../../src/core/document/index.ts';
import { drives } from '../../demo/catalogue/row.ts';
import { STAMP, aCard, aJob, aMachine, aSlot, baysOf } from './parts.ts';

/** The three drives, in the order of the needs. */
export const SERIALS = ['GULL-1', 'GULL-2', 'TERN-1'] as const;

export function twoArraysJob(): { readonly job: Job; readonly prepare: Step } {
  const machine = aMachine([aSlot(1, { lanes: 8 })]);
  const drive = (n: number) => ({ ...emptyDrive(`drive-${n + 1}`, 4_000), serial: SERIALS[n]! });
  const needs: readonly Need[] = [
    plainNeed('drives', 'drives-1', { these: [drive(0), drive(1)] }),
    plainNeed('drives', 'drives-2', { these: [drive(2)] }),
  ];
  const card = aCard({
    id: 'sata-card',
    lanes: 8,
    ids: { vendor: 0xf1a0, device: 2, class24: 0x010601 },
    delivers: drives(4, 'sata'),
  });
  const begun = { ...aJob({ name: 'takeTemplate', machine: withBays(machine) }), needs };
  const accepted = apply(
    begun,
    {
      name: 'acceptPlan',
      placements: [{ slotId: 's1', card }],
      packages: [],
      moves: [],
      givenUp: [],
      later: [],
      staged: [],
      unmet: [],
      met: [],
      extras: [],
    },
    STAMP,
  );
  const all = steps(accepted);
  const prepare = all.find(({ code }) => code === 'prepareDrives')!;
  const before = all.slice(0, all.indexOf(prepare));
  return {
    job: before.reduce((job, of) => apply(job, { name: 'tickStep', of }, STAMP), accepted),
    prepare,
  };
}

const withBays = (machine: ReturnType<typeof aMachine>) => ({
  ...machine,
  case: { ...machine.case, bays: baysOf(4) },
});
