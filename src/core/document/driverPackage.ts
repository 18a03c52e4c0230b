/** A driver package: who publishes it, what it says that it drives, and how it installs. */
import * as z from 'zod/mini';
import * as limits from '../parts/limits.ts';
import { MOST, date, id, listOf, text, version } from '../parts/limits.ts';
import { Architecture, SystemFamilySchema } from './machine.ts';
import type { DeepReadonly } from '../units.ts';

const names = listOf(text, MOST.identities);

/** One line of a models section: the device, in the maker's words, and the identities it is known by. */
const Model = z.object({
  description: text,
  /** The section that is carried out for it, without decoration. */
  install: text,
  /** In capitals. Those of the device's own, of which there is one at most. */
  hardwareIds: names,
  /** Those of devices that it is like. */
  compatibleIds: names,
});
export type Model = DeepReadonly<z.infer<typeof Model>>;

const ModelsSection = z.object({
  name: text,
  /** For which systems it is, as the file writes it; null: undecorated. */
  decoration: z.nullable(text),
  models: listOf(Model, MOST.models),
});
export type ModelsSection = DeepReadonly<z.infer<typeof ModelsSection>>;

/** What a system carries out for a model: its section, what starts with it, and how the maker rates its features. */
const Installing = z.object({
  /** The name that models give, in small letters, and for which systems this one of that name is; null: undecorated. */
  of: text,
  decoration: z.nullable(text),
  section: text,
  /** Names of services, the device's own first. */
  services: listOf(z.object({ name: text, isDevices: z.boolean() }), MOST.services),
  /** 0 best, 255 where the maker says nothing. */
  featureScore: limits.byte,
  /** Other setup files it draws on. */
  includes: listOf(text, MOST.services),
});
export type Installing = DeepReadonly<z.infer<typeof Installing>>;

/** What a setup file says: models by system, what is installed for each, and who vouches for it. */
const SetupPackage = z.object({
  provider: text,
  className: text,
  /** ISO date and up to four numbers; null where the file has none that can be read. */
  release: z.nullable(z.object({ date, version })),
  /** It names a catalogue, by which a system can check who made it and that nothing was changed. */
  hasCatalogue: z.boolean(),
  /** A maker's models, once for each kind of system they differ for. */
  makers: listOf(
    z.object({ maker: text, sections: listOf(ModelsSection, MOST.modelsSections) }),
    MOST.makers,
  ),
  installs: listOf(Installing, MOST.installs),
});
export type SetupPackage = DeepReadonly<z.infer<typeof SetupPackage>>;

/** Systems for which the maker states it to be. The highest version is null while it is not limited. */
const systems = listOf(
  z.object({
    family: SystemFamilySchema,
    architecture: Architecture,
    from: version,
    to: z.nullable(version),
  }),
  MOST.systems,
);

/** By what a system decides whether the package is for a device. */
const Saying = z.discriminatedUnion('kind', [
  /** Nothing but a list, as a maker's page has it: `vendor:device` in hexadecimal. */
  z.object({
    kind: z.literal('listed'),
    deviceIds: listOf(z.string().check(z.regex(/^[0-9a-f]{4}:[0-9a-f]{4}$/)), MOST.deviceIds),
    systems,
  }),
  z.object({ kind: z.literal('setup'), setup: SetupPackage }),
  /** Kernel modules with the patterns of the devices that they offer to drive. */
  z.object({
    kind: z.literal('modules'),
    aliases: listOf(z.object({ pattern: text, module: text }), MOST.aliases),
    systems,
  }),
]);
export type Saying = DeepReadonly<z.infer<typeof Saying>>;

/** Whose release it is: the one a maker recommends, the maker's newest, from the card's own box, or the system's own. */
const CHANNELS = ['recommended', 'newest', 'box', 'system'] as const;
export type Channel = (typeof CHANNELS)[number];

export const DriverPackage = z.object({
  id,
  maker: text,
  title: text,
  version,
  /** ISO date of the release. */
  released: date,
  channel: z.enum(CHANNELS),
  says: Saying,
  /** What the maker demands to be done first. */
  order: z.enum(['card-first', 'driver-first']),
  /** Whether it bears that the device comes and goes while the system runs; null: nobody says. */
  hotPlug: z.nullable(z.boolean()),
  /** How its installer behaves; null: nobody says. */
  installer: z.nullable(
    z.object({
      restarts: limits.restarts,
      /** The picture goes off and on while it installs. */
      flickers: z.boolean(),
      /** It goes on by itself after the restart: nobody starts it a second time. */
      goesOn: z.boolean(),
      /** It can take off what was there before by itself. */
      hasCleanOption: z.boolean(),
      /** What a typical installation adds to the driver, and what an express one adds to that. */
      typicalAdds: listOf(text, MOST.additions),
      expressAdds: listOf(text, MOST.additions),
    }),
  ),
  /** The card's own software: a file that the driver loads at each start, or one to be written into the card first. */
  firmware: z.nullable(z.object({ how: z.enum(['loaded', 'flashed']), name: text })),
  /** What a boot loader has to hand the system for it; null: nothing. */
  bootParameter: z.nullable(text),
  /** What it is made of, as its maker publishes it. */
  files: listOf(
    z.object({ name: text, bytes: limits.fileBytes, sha256: limits.sha256 }),
    MOST.packageFiles,
  ),
});
export type DriverPackage = DeepReadonly<z.infer<typeof DriverPackage>>;

/** Part of the system itself: nothing to download. */
export const comesWithSystem = ({ channel }: Pick<DriverPackage, 'channel'>): boolean =>
  channel === 'system';

/** How a technician wants drivers dealt with; there are schools. */
export const DriverWays = z.object({
  /** Whose release: the maker's, downloaded; whatever the system finds; what lay in the card's box. */
  source: z.enum(['maker', 'system', 'box']),
  /** How an old driver goes: by the system's own list, or by clean removal from safe mode. */
  oldDriver: z.enum(['light', 'clean']),
  /** Before the cards are exchanged, or after. */
  removal: z.enum(['before', 'after']),
  installation: z.enum(['driverOnly', 'typical', 'express']),
});
export type DriverWays = DeepReadonly<z.infer<typeof DriverWays>>;

/** Common practice, no source. */
export const PLAIN_WAYS: DriverWays = {
  source: 'maker',
  oldDriver: 'light',
  removal: 'before',
  installation: 'driverOnly',
};
