/** What a device's problem usually means, and what to do next. */
import { NO_DRIVER, NOT_WORKING, type DeviceProblem } from '$core/standards';

const STATUS_WORDS: Readonly<Record<string, string>> = {
  [NO_DRIVER]: 'no driver installed',
  [NOT_WORKING]: 'does not work',
};

/** A status as its system has it, or where that has none. */
export const statusWords = (status: string): string => STATUS_WORDS[status] ?? status;

export const DEVICE_PROBLEM_WORDS: Readonly<
  Record<DeviceProblem, { readonly means: string; readonly next: string }>
> = {
  10: {
    means: 'The driver is there and the device does not start with it.',
    next: 'Another version of the driver; then seat the card again, then try another slot.',
  },
  12: {
    means: 'Memory windows or other resources that it wants are taken.',
    next: 'Look in firmware setup for decoding above 4 GB; take out what is not needed.',
  },
  14: { means: 'It works after a restart only.', next: 'Restart, and read the report again.' },
  18: {
    means: 'Its driver has to be installed again.',
    next: 'Remove the device from the system’s list, look for new hardware, install the package.',
  },
  19: {
    means: 'What the system noted of it is damaged or there twice.',
    next: 'Remove the device and its driver, restart, install the package again.',
  },
  22: { means: 'It was switched off in the system’s list.', next: 'Switch it on there.' },
  24: {
    means: 'The system does not find it, or not all of its driver.',
    next: 'Look at its seat and its power plug; then install the package again.',
  },
  28: {
    means: 'No driver is installed.',
    next: 'Drop packages in Drivers: they say which of them drives it.',
  },
  29: {
    means: 'The firmware gives it no resources.',
    next: 'Look in firmware setup whether slot or port is switched off.',
  },
  31: {
    means: 'The system cannot load the driver that it chose.',
    next: 'Remove the driver with its files, restart, install the package for this very release.',
  },
  32: {
    means: 'The service behind its driver is switched off.',
    next: 'Install the package again; another driver may have taken its place.',
  },
  37: {
    means: 'The driver itself gave up when it was loaded.',
    next: 'Another version of the driver.',
  },
  39: {
    means: 'The driver is damaged, or parts of it are missing.',
    next: 'Check the package by its sums, and install it again.',
  },
  43: {
    means: 'The device itself reported a fault after it had started.',
    next: 'Switch off at the mains, seat it again, look at its power plug; then another slot.',
  },
  45: {
    means: 'It is not connected now; the system remembers it.',
    next: 'Nothing, unless it should be there: then look at its seat.',
  },
  48: {
    means: 'The system keeps this driver from running, for what is known of it.',
    next: 'A newer version of the driver.',
  },
  52: {
    means: 'The signature of the driver cannot be checked.',
    next: 'The maker’s signed package; leave the check of signatures on.',
  },
};
