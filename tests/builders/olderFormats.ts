/** Documents as earlier versions wrote them. */
import { readFileSync } from 'node:fs';
import { PLAIN_RUN, emptyDrive } from '../../src/core/parts/index.ts';
import type { Job } from '../../src/core/document/index.ts';

export const dataFile = (name: string): string =>
  readFileSync(new URL(`../data/${name}.json`, import.meta.url), 'utf8');

/** A job of the fourth or fifth format, as far as a test reads it. */
export interface OldJob extends Omit<Job, 'observations' | 'acts'> {
  readonly ticks: Readonly<Record<string, string>>;
  readonly readings: readonly {
    readonly needId: string;
    readonly value: number;
    readonly takenAt: string;
  }[];
}

/** What format 6 calls otherwise, replaced in the text itself. */
const WORDS: readonly (readonly [string, string])[] = [
  ['"witness":', '"source":'],
  ['"fate":"mayGo"', '"disposition":"optional"'],
  ['"fate":"goes"', '"disposition":"remove"'],
  ['"fate":', '"disposition":'],
  ['"boxes":', '"obstacles":'],
  ['"pace":', '"speedGap":'],
  ['"moveBox', '"moveObstacle'],
  ['"recordReading"', '"observe"'],
  ['"removeReading"', '"removeObservation"'],
];

const RADIO_UNKNOWN = {
  standard: null,
  bands: null,
  channelMhz: null,
  streams: null,
  distance: null,
  wireMegabits: null,
};

/** What formats 6 to 11 added to parts of a document, by what tells them from others. */
const ADDED: readonly (readonly [marks: readonly string[], added: object])[] = [
  [
    ['connectorLanes', 'opening'],
    { hotPlug: null, cardLength: null, sharesOpening: null, state: null, latch: null },
  ],
  [
    ['disposition', 'openings'],
    { watts: null, plugs: null, frontLeads: null, hotPlug: null, heightMm: null },
  ],
  [['baseWatts', 'plugs'], { plugsInUse: null }],
  [
    ['bracket', 'lengthRoomMm'],
    {
      spareCovers: null,
      spareModuleScrews: null,
      panelHeld: null,
      opensBothSides: null,
      retentionBar: null,
      frontCovers: null,
      guides: null,
      leadLock: null,
    },
  ],
  [['overBudget', 'disturbance', 'wishes'], { longSlot: 100 }],
  [
    ['leadsBeforeSeating', 'brackets'],
    {
      plates: 0,
      contents: [],
      chip: '',
      statements: [],
      returnDays: null,
      manners: [],
      moduleCover: false,
    },
  ],
  [['ownPorts', 'socket'], { sataModules: 0 }],
  [['must', 'weight', 'group'], { backing: 'none', manners: [], later: false }],
  [
    ['drive', 'bootable'],
    { usableGigabytes: 0, driveGigabytes: 4_000, usedDrives: false, these: [] },
  ],
  [['bytesPerSecond', 'ports', 'features'], { team: 'none', encrypted: false }],
  [['mode', 'input', 'must'], { into: 'screen' }],
  [['bytesPerSecond', 'where', 'typeC'], { device: null, deviceSignalling: '3.2-1' }],
  [['ports', 'megabits', 'features'], { medium: 'copper' }],
  [['says', 'source', 'date'], { card: '' }],
  [['placements', 'acceptedAt'], { later: [], staged: [] }],
  [['customer', 'technician'], { benchTest: null, staticWay: null }],
  [
    ['path', 'firmware'],
    { accessPoint: RADIO_UNKNOWN, secondSystem: null, damage: [], leads: [], toFit: [] },
  ],
  [['together', 'bootable'], { medium: 'solidState', array: 'single', direction: 'read' }],
];

/** Until format 8 the path was one lead to a far end. */
const pathOfToday = ({
  cable,
  cableMetres,
  farEndMegabits,
  ...rest
}: Readonly<Record<string, unknown>>) => ({
  hops: [
    {
      id: 'far-end',
      name: '',
      kind: 'machine',
      leads: [{ id: 'far-end-lead', place: 'patch', cable, metres: cableMetres, condition: null }],
      portMegabits: farEndMegabits,
      linkMegabits: null,
    },
  ],
  processor: null,
  ownDrivePort: null,
  ...rest,
});

/** Until format 7 a package was a list of its devices. */
const packageOfToday = ({
  inbox,
  deviceIds,
  systems,
  ...rest
}: Readonly<Record<string, unknown>>) => ({
  hotPlug: null,
  ...rest,
  channel: inbox === true ? 'system' : 'recommended',
  says: { kind: 'listed', deviceIds, systems },
  installer: null,
  firmware: null,
  bootParameter: null,
  files: [],
});

interface OldObservation {
  readonly id: string;
  readonly kind: string;
  readonly value: Readonly<Record<string, unknown>>;
}

/** Until format 10 a figure was one number; until format 9 a device had its place on the bus only, and a drive only a serial number and a size. */
function observationOfToday(observation: OldObservation): object {
  const { id, kind, value } = observation;
  if (kind === 'figure')
    return { ...observation, ...PLAIN_RUN, kind: 'run', id: id.replace('figure', 'run') };
  if (kind === 'device') {
    const { address, ...rest } = value;
    return { ...observation, value: { place: address, ...rest } };
  }
  if (kind !== 'drive' || 'drive' in value) return observation;
  const { serial, gigabytes, holds } = value;
  const drive = emptyDrive(id, Number(gigabytes), { serial: String(serial) });
  return { ...observation, value: { drive, holds } };
}

const without = (job: object): object =>
  Object.fromEntries(
    Object.entries(job).filter(([part]) => part !== 'ticks' && part !== 'spentSeconds'),
  );

export const todaysWords = <Part>(part: Part): Part =>
  JSON.parse(
    WORDS.reduce((text, [old, fresh]) => text.replaceAll(old, fresh), JSON.stringify(part)),
    (_, value: unknown) => {
      if (typeof value !== 'object' || value === null || Array.isArray(value))
        return value as unknown;
      if ('kind' in value && 'subject' in value)
        return observationOfToday(value as unknown as OldObservation);
      if ('deviceIds' in value && 'inbox' in value) return packageOfToday(value);
      if ('cableMetres' in value) return pathOfToday(value as Readonly<Record<string, unknown>>);
      const added = ADDED.filter(([marks]) => marks.every((mark) => mark in value));
      const whole = Object.assign({}, ...added.map(([, fields]) => fields), value) as object;
      // Until format 13 what was done was ticked: that is held against the acts by themselves.
      return 'ticks' in whole ? without(whole) : whole;
    },
  ) as Part;
