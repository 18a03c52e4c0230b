/** Eight cards and ten drives, accepted: as much as anybody fits in one go. */
import { apply } from '../src/core/commands/index.ts';
import { emptyDrive } from '../src/core/parts/index.ts';
import { plainNeed } from '../src/core/kinds/index.ts';
import type { Card, Job, Machine } from '../src/core/document/index.ts';
import { drives, screens, usb } from '../demo/catalogue/row.ts';
import { STAMP, aCard, aJob, aMachine, aSlot, baysOf, told } from '../tests/builders/parts.ts';

const CARDS = 8;
const DRIVES = 10;

const cardOf = (n: number): Card => {
  const base = aCard({ id: `card ${n}`, model: `card ${n}`, lanes: 4 });
  if (n < 3) return { ...base, delivers: drives(4, 'sata'), plates: n === 0 ? 1 : 0 };
  if (n === 3)
    return { ...base, sockets: ['6-pin'], delivers: screens(2, [['hdmi-600', 2]], 2, 1) };
  const wired = usb(2, '3.2-1', 900);
  return n % 2 === 0
    ? { ...base, delivers: wired, bracketMounted: 'low' }
    : { ...base, delivers: wired, boardLeads: [{ type: 'usb-9-pin', lengthMm: 900 }] };
};

export function fullJob(): Job {
  const slots = Array.from({ length: CARDS }, (_, n) => aSlot(n + 1, { connector: 16 }));
  const machine: Machine = {
    ...aMachine(slots),
    headers: told(
      [60, 120].map((xMm) => ({ type: 'usb-9-pin' as const, place: { xMm, yMm: 220 } })),
    ),
    case: { ...aMachine([]).case, openings: told(CARDS + 1), bays: baysOf(DRIVES) },
    supply: {
      ...aMachine([]).supply,
      plugs: told([
        { type: '6-pin', count: 2 },
        { type: 'sata', count: DRIVES },
      ]),
    },
  };
  const needs = [
    plainNeed('drives', 'drives', {
      bytesPerSecond: 50e6,
      these: Array.from({ length: DRIVES }, (_, n) => emptyDrive(`d${n}`, 1_000)),
    }),
    plainNeed('usb', 'usb', { ports: 8, bytesPerSecond: 50e6 }),
  ];
  return apply(
    { ...aJob({ name: 'takeTemplate', machine }), needs },
    {
      name: 'acceptPlan',
      placements: slots.map(({ id }, n) => ({ slotId: id, card: cardOf(n) })),
      packages: [],
    },
    STAMP,
  );
}
