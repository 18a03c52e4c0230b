/** A job that the planner does not finish in a moment: many ports for twelve slots, and hardly a plug or a watt free. */
import { emptyJob } from '../../src/core/document/index.ts';
import { plainNeed } from '../../src/core/kinds/index.ts';
import { writeJobFile } from '../../src/core/write/index.ts';
import { AT, aMachine, aSlot, told } from './parts.ts';

export function hardJob(): string {
  const slots = Array.from({ length: 12 }, (_, n) => aSlot(n + 1, { generation: 3 }));
  const plain = aMachine(slots);
  const plugs = (['6-pin', 'sata', '4-pin'] as const).map((type) => ({ type, count: 1 }));
  return writeJobFile({
    ...emptyJob('hard', AT),
    title: 'A hard one',
    budgetCents: 30_000,
    machine: {
      ...plain,
      case: { ...plain.case, openings: told(13), frontLeads: told([{ type: 'usb-19-pin' }]) },
      supply: {
        ...plain.supply,
        twelveVoltWatts: told(270),
        baseWatts: told(150),
        plugs: told(plugs),
      },
    },
    needs: [
      plainNeed('usb', 'rear', { ports: 9 }),
      plainNeed('usb', 'front', { ports: 2, where: 'front' }),
      plainNeed('drives', 'drives', { ports: 16, bytesPerSecond: 200e6 }),
      plainNeed('serialLink', 'serial', { ports: 2, gigabits: 10 }),
      plainNeed('screens', 'screens', { count: 4, must: false }),
      plainNeed('network', 'network', { ports: 4, bytesPerSecond: 100e6 }),
      plainNeed('sound', 'sound', { must: false }),
      plainNeed('wifi', 'wifi', { must: false }),
    ],
  });
}
