/** What a log keeps of a changed survey: codes and names, never sentences. */
import { expect } from 'chai';
import * as MACHINES from '../../demo/machines.ts';
import { known } from '../../src/core/parts/fact.ts';
import type { Machine } from '../../src/core/document/machine.ts';
import { changeParts, changesCode, machineChanges } from '../../src/core/survey/changes.ts';

const everyMachine: readonly Machine[] = Object.values(MACHINES).flatMap((each) =>
  'slots' in each ? [each] : [],
);

/** The codes of what `change` does to a machine that has at least one of what it changes. */
function codes(machine: Machine, changed: Partial<Machine>): readonly string[] {
  const code = changesCode(machineChanges(machine, { ...machine, ...changed }));
  return code === '' ? [] : changeParts(code).map((part) => part.join(' ').trim());
}

describe('What was changed of a survey', () => {
  it('is nothing where it says the same, whoever wrote it down', () => {
    for (const machine of everyMachine)
      expect(machineChanges(machine, structuredClone(machine))).to.deep.equal([]);
  });

  it('is named by its field, and by what has that field where there are several', () => {
    const machine = everyMachine.find(({ slots }) => slots.length > 1)!;
    const [one, two, ...rest] = machine.slots;
    const fresh = { ...one!, lanes: known(2, 'technician' as const), splits: null };
    expect(codes(machine, { slots: [fresh, two!, ...rest] })).to.include(
      `slots.lanes ${one!.label}`,
    );
    expect(codes(machine, { slots: [one!, ...rest] })).to.deep.equal([
      `slots.removed ${two!.label}`,
    ]);
    expect(codes({ ...machine, slots: rest }, { slots: machine.slots })).to.deep.equal([
      `slots.added ${one!.label}`,
      `slots.added ${two!.label}`,
    ]);
    expect(codes(machine, { name: 'Another' })).to.deep.equal(['name']);
    const leadLock = known(true, 'technician' as const);
    expect(codes(machine, { case: { ...machine.case, leadLock } })).to.deep.equal([
      'case.leadLock',
    ]);
  });

  it('is of the card in a slot, of a lead of the network, of the case of a box', () => {
    const held = everyMachine
      .flatMap((machine) => machine.slots.map((slot) => ({ machine, slot })))
      .find(({ slot }) => slot.occupant?.value != null)!;
    const occupant = { ...held.slot.occupant!.value!, heightMm: known(99, 'technician' as const) };
    expect(
      codes(held.machine, {
        slots: held.machine.slots.map((slot) =>
          slot === held.slot ? { ...slot, occupant: known(occupant, 'technician') } : slot,
        ),
      }),
    ).to.deep.equal([`occupant.heightMm ${held.slot.label}`]);

    const [hop, ...further] = held.machine.path.hops;
    const leads = hop!.leads.map((lead) => ({ ...lead, metres: known(77, 'technician' as const) }));
    const path = { ...held.machine.path, hops: [{ ...hop!, leads }, ...further] };
    expect(codes(held.machine, { path })).to.deep.equal(
      leads.map(() => `hopLeads.metres ${hop!.name}`.trim()),
    );

    const boxed = everyMachine.find(({ enclosures }) => enclosures.length > 0)!;
    const [box, ...others] = boxed.enclosures;
    const supply = { ...box!.supply, ageYears: known(31, 'technician' as const) };
    expect(codes(boxed, { enclosures: [{ ...box!, supply }, ...others] })).to.deep.equal([
      `supply.ageYears ${box!.name}`,
    ]);
  });
});
