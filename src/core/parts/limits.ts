/**
 * Numbers, texts and lists of a document, each with the most that the trade knows. A document beyond them is damaged
 * or hostile, and would stop the screens that draw it. Each limit lies well above what is made; where a standard
 * sets one it is named, the others are common practice, no source.
 */
import * as z from 'zod/mini';

const from = (least: number, most: number) => z.number().check(z.minimum(least), z.maximum(most));
const over = (least: number, most: number) => z.number().check(z.gt(least), z.maximum(most));
const whole = (least: number, most: number) => z.int().check(z.minimum(least), z.maximum(most));

/** A list of at most so many. */
export const listOf = <Each extends z.core.SomeType>(each: Each, most: number) =>
  z.array(each).check(z.maxLength(most));

const LONGEST_TEXT = 200;
const LONGEST_NOTES = 5_000;
/** A text as long as a document holds it. */
export const clipped = (long: string): string => long.slice(0, LONGEST_TEXT);
export const text = z.string().check(z.maxLength(LONGEST_TEXT));
/** What tells one part of a need’s way from another, and what a check is answered. */
export const shortName = z.string().check(z.maxLength(40));
export const notes = z.string().check(z.maxLength(LONGEST_NOTES));
export const id = z.string().check(z.regex(/^[A-Za-z0-9_-]{1,64}$/));
/** Numbers with dots between, as systems and packages give their versions. */
export const version = z.string().check(z.maxLength(60), z.regex(/^\d+(?:\.\d+)*$/));
/** Of what is kept: longer than any key that is given here, and short enough for the name of a file in an archive. */
export const LONGEST_KEY = 4_096;
/** ISO date. */
export const date = z.string().check(z.regex(/^\d{4}-\d{2}-\d{2}$/));
/** ISO instant. */
export const instant = z.iso.datetime();

/** Identity numbers of PCI: 16 bits, and the 24 of a whole class. */
export const code16 = whole(0, 0xffff);
export const code24 = whole(0, 0xffffff);
export const byte = whole(0, 0xff);

/** Links are x1 to x32. Source: PCI Express Base Specification (from memory). */
export const lanes = whole(1, 32);
/** 0: a link that is down; six bits of the register. */
export const linkWidth = whole(0, 63);
export const lanesOrNone = whole(0, 32);
/** Two bytes of a slot record; a port's own number has 13 bits. */
export const slotNumber = whole(0, 0xffff);
/** The eight bits of a slot's power limit reach 600 W and what lies above it. */
export const slotWatts = from(0, 1_000);

export const openings = whole(1, 32);
export const millimetres = over(0, 2_000);
/** Of something that may stand at the edge, or beyond it. */
export const offsetMm = from(-2_000, 2_000);
export const offsetFromEdgeMm = from(0, 2_000);
export const wholeMillimetres = whole(1, 500);
export const grams = over(0, 20_000);
export const watts = over(0, 10_000);
export const wattsOrNone = from(0, 10_000);
export const years = from(0, 100);
export const calendarYear = whole(1990, 2100);
export const cableMetres = over(0, 100_000);

/** Ports, sockets, plugs, drives, bays, screws: what is counted in one machine. */
export const counted = whole(1, 256);
export const countedOrNone = whole(0, 256);
/** What a thing bought beside cards can carry or reach: watts, millimetres, megabits per second. */
export const carried = over(0, 1e6);
/** Things bought of a kind. */
export const bought = whole(1, 1_000);

/** What a screen's report can name. */
export const bitsPerColour = whole(6, 16);
export const tiles = whole(1, 64);

/** 400 Gb/s Ethernet and more. */
export const megabits = over(0, 1e6);
export const wholeMegabits = whole(1, 1e6);
/** Source: IEEE 802.11be, the widest channel (from memory). */
export const channelMhz = whole(1, 320);
/** Of radio at the same time. Source: IEEE 802.11be (from memory). */
export const streams = whole(1, 16);
export const gigabits = whole(1, 1_000);
export const bytesPerSecond = over(0, 1e12);
export const bytesPerSecondOrNone = from(0, 1e12);
export const milliamps = whole(0, 20_000);
export const gigabytes = from(0, 1e5);
/** Drives are sold by whole ones of 10^9 bytes. */
export const driveGigabytes = whole(1, 1e7);
export const driveGigabytesOrNone = whole(0, 1e7);
export const moreThanNoGigabytes = over(0, 1e5);
/** Written to a drive so far, or rated. */
export const terabytes = from(0, 1e6);
export const driveWatts = from(0, 100);
/** A class of a table of few rows. */
export const speedClass = whole(0, 20);
export const speedClassAsked = whole(1, 20);
/** A window can be made as large as 2⁶³ bytes. Source: PCI Express Base Specification, resizable BAR (from memory). */
export const windowBytes = over(0, 2 ** 63);
export const windowMegabytes = whole(0, 2 ** 43);

/** Screens of 16 bits a side. */
export const MOST_PIXELS = 0xffff;
export const pixels = whole(1, MOST_PIXELS);
export const refreshHz = over(0, 2_000);

/** Whole cents below ten million. */
export const cents = whole(0, 999_999_999);
export const days = whole(0, 3_650);
/** Every change counts one: a thousand a day for three thousand years. */
export const MOST_REVISION = 1e9;
export const revision = whole(0, MOST_REVISION);
/** A measured figure, in whatever unit its need has. */
export const figure = over(0, 1e15);

/** What one measurement copied, in how many files, and how long it took: a day at most. */
export const bytesCounted = over(0, 1e15);
export const filesCounted = whole(1, 1e9);
export const secondsMeasured = over(0, 86_400);
/** A temperature, a count, a speed: read off the machine. */
export const reading = from(-100, 1e9);

/** Restarts that an installer asks for. */
export const restarts = whole(0, 9);
export const fileBytes = whole(0, 2 ** 40);
export const sha256 = z.string().check(z.regex(/^[0-9a-f]{64}$/));

/** Of one task: a working day at most. */
export const secondsSpent = whole(0, 86_400);

/** How many of each a document lists at most. */
export const MOST = {
  slots: 64,
  conditions: 128,
  obstacles: 128,
  enclosures: 16,
  screens: 32,
  onBoard: 64,
  functions: 2_048,
  inTrouble: 500,
  modules: 64,
  /** Devices on the way to the far end, and the leads to each of them. */
  hops: 32,
  leadsOfHop: 8,
  modes: 256,
  plugs: 32,
  /** Power sockets of one card: the thirstiest have three or four. Common practice, no source. */
  sockets: 8,
  leads: 32,
  headers: 64,
  /** Things in the box of one card. */
  contents: 32,
  /** What is said of one card. */
  statements: 32,
  deliveries: 32,
  speeds: 16,
  tightOpenings: 32,
  bays: 16,
  /** Drives of one need. */
  drives: 32,
  damage: 64,
  /** Leads inside one machine. */
  innerLeads: 128,
  moduleLengths: 16,
  needs: 64,
  pins: 256,
  placements: 64,
  packages: 256,
  extras: 256,
  bought: 64,
  acts: 2_000,
  observations: 1_000,
  photos: 256,
  log: 2_000,
  deviceIds: 4_096,
  /** What a setup file says of the devices that matter to one job. */
  identities: 64,
  models: 1_024,
  modelsSections: 64,
  makers: 64,
  installs: 1_024,
  services: 32,
  aliases: 1_024,
  additions: 16,
  packageFiles: 512,
  systems: 64,
  cards: 20_000,
  templates: 1_000,
} as const;
