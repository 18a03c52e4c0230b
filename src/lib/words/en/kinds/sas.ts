/** Words of SAS host adapters, and of needs for SAS drives. */
import type { DeliveryOf, NeedOf } from '$core/kinds';
import { counted, inMegabytes } from '../figures';
import { drivesGuide } from './drives';
import { IN_BYTES, READ_OR_WRITTEN, list, type CardWords, type NeedWords } from './kindWords';

export const sasCard: CardWords<DeliveryOf<'sas'>> = {
  name: 'SAS host adapter',
  option: 'SAS host adapter',
  columns: { connectors: 'SAS connectors inside', gigabits: 'SAS, Gb/s' },
  delivers: ({ connectors, gigabits }) =>
    `${counted(connectors * 4, 'SAS drive')} on ${counted(connectors, 'connector')}, ${gigabits} Gb/s`,
};

export const sasNeed: NeedWords<NeedOf<'sas'>> = {
  name: 'SAS drives',
  rate: IN_BYTES,
  direction: READ_OR_WRITTEN,
  stands: null,
  asks: ({ count, medium, bytesPerSecond, together, usedDrives, bootable }) =>
    list(
      `${count} ${medium === 'hardDisk' ? 'hard disks' : 'solid-state drives'}`,
      `${inMegabytes(bytesPerSecond)} each ${together ? 'together' : 'alone'}`,
      usedDrives ? 'used before' : '',
      bootable ? 'bootable' : '',
    ),
  guide: ({ together }, at) => drivesGuide(together, at),
};
