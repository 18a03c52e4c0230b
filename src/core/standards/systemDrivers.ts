/**
 * Drivers that systems bring for a whole class of devices, by the names under which reports give them: kernel modules
 * of Linux, services and setup files of Windows. Source: the systems' own names (from memory).
 */

/** A picture without any driver of the card's own: slow, at whatever mode the firmware left. */
const BASIC_DISPLAY: readonly string[] = [
  'vesafb',
  'efifb',
  'simpledrm',
  'simple-framebuffer',
  'basicdisplay',
  'basicdisplay.inf',
  'display.inf',
];

/** Full drivers of a class: right where the plan has no package, and a sign that it is not used where it has one. */
const BY_CLASS: readonly string[] = [
  'ahci',
  'nvme',
  'xhci_hcd',
  'storahci',
  'stornvme',
  'usbxhci',
  'hdaudio',
  'mshdc.inf',
  'usbxhci.inf',
  'hdaudio.inf',
];

/** The words of a driver as a report gives it: “Maker 3.1 (service)”. */
const wordsOf = (driver: string): readonly string[] => driver.toLowerCase().split(/[\s(),]/);

export const isBasicDisplay = (driver: string): boolean =>
  wordsOf(driver).some((word) => BASIC_DISPLAY.includes(word));

export const isByClass = (driver: string): boolean =>
  wordsOf(driver).some((word) => BY_CLASS.includes(word));
