/** What the form of one kind of need has beside its fields; null: nothing. Each is fetched when it is first shown. */
import type { Component } from 'svelte';
import type { Drive } from '$core/parts';
import type { Machine } from '$core/document';
import type { Need, NeedKind, NeedOf } from '$core/kinds';

interface OwnPartProps<Asks> {
  readonly need: Asks;
  readonly machine: Machine;
  /** The drives of all needs: no two of a job have one id. */
  readonly drives: readonly Drive[];
  readonly put: (need: Need) => void;
}

type Load<Asks> = () => Promise<{ readonly default: Component<OwnPartProps<Asks>> }>;

const OWN_PARTS: { readonly [Kind in NeedKind]: Load<NeedOf<Kind>> | null } = {
  network: null,
  usb: null,
  screens: () => import('./ScreensRead.svelte'),
  graphics: null,
  wifi: () => import('./InternetPlan.svelte'),
  drives: () => import('./Drives.svelte'),
  sas: null,
  sound: null,
  serialLink: null,
  legacy: null,
  otherDevice: null,
  keep: () => import('./WhatStays.svelte'),
  drivers: null,
};

export const ownPartOf = ({ kind }: Need): Load<Need> | null =>
  OWN_PARTS[kind] as unknown as Load<Need> | null;
