/**
 * What one need gets: every stage on the way with the band it carries, the stage that limits, and how many units
 * (ports, screens, drives) are given towards the need.
 */
import { memoOf } from '../memo.ts';
import type { Card } from '../document/card.ts';
import type { Delivery, DeliveryKind, DeliveryOf } from './delivery.ts';
import type { Slot } from '../document/machine.ts';
import type { Need } from './need.ts';
import type { StageCode } from './stages.ts';
import { deviceLink, slotLink, type Band, type LinkedCard } from '../placement/slotLink.ts';
import { worstVerdict, type Finding } from '../rules/finding.ts';
import type { Payload, Subjects, Unit } from '../rules/findingCodes.ts';
import type { NetworkModule } from '../standards/ethernet.ts';
import type { BayFrame } from '../standards/storage.ts';
import type { PlugAdapter } from '../standards/plugs.ts';
import type { ScreenAdapter } from '../standards/screens.ts';

export interface FlowStage {
  readonly code: StageCode;
  /** What a healthy one shows at least, and what it can carry at most, for each stream while this need works alone. */
  readonly low: number;
  readonly high: number;
  /** The thing itself, where several streams share it; absent: each stream has one of its own. */
  readonly shared?: SharedStage;
  /** Of a wire: which device of the path it is, or leads to, counted from the machine. */
  readonly hop?: { readonly position: number; readonly name: string };
}

export interface SharedStage {
  /** Streams that name the same one share it. */
  readonly id: string;
  /** For all of them together. */
  readonly low: number;
  readonly high: number;
  /** How many of it there are, streams spread over them evenly; one unless said. */
  readonly copies?: number;
}

export interface Flow {
  readonly need: Need;
  /** Units given towards the need; zero when it falls short. */
  readonly units: number;
  readonly unit: Unit;
  /** What the need asks for, in that unit. */
  readonly wanted: number;
  readonly low: number;
  readonly high: number;
  readonly stages: readonly FlowStage[];
  readonly limiting: StageCode | null;
  /** Of a wire: which device of the path limits, or the leads to which. */
  readonly limitingHop: FlowStage['hop'] | null;
  /** What weighs most of all that is said of it. */
  readonly finding: Finding;
  /** What else it takes, or where else it falls back. */
  readonly catches: readonly Finding[];
  /** Streams that run at the same time while it is used. */
  readonly streams: number;
  /** How many times one stream's rate the figure is: drives that work as one show more than each of them. */
  readonly gain: Band;
  /** Where drives are plugged in; null for everything else. */
  readonly hangs: 'cables' | 'card' | null;
  /** What has to stand between outputs and screens, once for each screen that wants one. */
  readonly adapters: readonly ScreenAdapter[];
  /** What goes into the cages of its ports, one for each that is used. */
  readonly modules: readonly NetworkModule[];
  /** What has to be bought for drives on cables: bays, and what feeds them. */
  readonly forDrives: ForDrives;
}

export interface ForDrives {
  readonly bays: number;
  /** What holds a narrow drive in a wide bay, once for each. */
  readonly frames: readonly BayFrame[];
  readonly plugAdapters: readonly PlugAdapter[];
  /** Data cables, each by what it is for. */
  readonly cables: readonly { readonly fits: string; readonly count: number }[];
}

const NOTHING_FOR_DRIVES: ForDrives = { bays: 0, frames: [], plugAdapters: [], cables: [] };

/** What of a card decides what it gives, and its name; flows are told no more of it. */
export interface ProviderCard
  extends
    Omit<LinkedCard, 'lanes'>,
    Pick<
      Card,
      | 'maker'
      | 'model'
      | 'delivers'
      | 'boot'
      | 'frontHeaders'
      | 'needsSplit'
      | 'lanes'
      | 'statements'
      | 'manners'
    > {
  readonly ids: Pick<Card['ids'], 'class24'>;
}

/** All of it but the name: cards of which this is the same give the same in every slot. */
export const providerKey = memoOf(
  ({
    delivers,
    generation,
    lanes,
    m2,
    needsSplit,
    boot,
    ids,
    frontHeaders,
    statements,
    manners,
  }: ProviderCard): string =>
    JSON.stringify([
      delivers,
      generation,
      lanes,
      m2?.signal,
      needsSplit,
      boot,
      ids.class24,
      frontHeaders,
      statements,
      manners,
    ]),
);

/** What delivers: a card in a slot, or the board itself. */
export interface Provider<Delivered extends Delivery = Delivery> {
  readonly delivers: Delivered;
  readonly fitted: { readonly card: ProviderCard; readonly slot: Slot } | null;
}

/** The provider, where it delivers that kind. */
export const delivering = <Kind extends DeliveryKind>(
  provider: Provider,
  kind: Kind,
): Provider<DeliveryOf<Kind>> | null =>
  provider.delivers.kind === kind ? (provider as Provider<DeliveryOf<Kind>>) : null;

/** A stage that all streams through it share. */
export const sharedStage = (
  code: StageCode,
  id: string,
  { low, high }: Band,
  streams = 1,
): FlowStage => ({
  code,
  low: low / streams,
  high: high / streams,
  shared: { id, low, high },
});

/** The link between slot and card, and what lies above it; none for what the board itself gives. */
export function linkStages({ fitted }: Provider, streams = 1): readonly FlowStage[] {
  const got = fitted === null ? null : deviceLink(fitted.card, fitted.slot);
  if (got === null || fitted === null) return [];
  return [
    // Where the slot is split each device has its own; what lies above is shared all the same.
    fitted.card.needsSplit
      ? { code: 'slotLink', ...got.own }
      : sharedStage('slotLink', `link ${fitted.slot.id}`, got.own, streams),
    ...(got.uplink === null
      ? []
      : [sharedStage('uplink', `uplink ${got.uplink.id}`, got.uplink, streams)]),
  ];
}

/** What tells the ports of one provider from those of another. */
export const providerId = ({ fitted }: Provider): string => fitted?.slot.id ?? 'board';

/** Whether the provider sits in a slot of which too little is known. */
export const linkUnknown = ({ fitted }: Provider): boolean =>
  fitted !== null && slotLink(fitted.card, fitted.slot) === null;

interface FlowQuery {
  readonly need: Need;
  readonly unit: Unit;
  readonly wanted: number;
  readonly units: number;
  readonly stages: readonly FlowStage[];
  readonly factMissing: boolean;
  readonly streams?: number;
  readonly gain?: Band;
  readonly hangs?: 'cables' | 'card';
  /** What is said of it is said in bits, as the need is stated. */
  readonly inBits?: boolean;
  /** What else is to be said of it; a finding that blocks takes all units away. */
  readonly besides?: readonly Finding[];
}

/** The narrowest stage decides, unless something else weighs more. */
export function conclude({
  need,
  unit,
  wanted,
  units,
  stages,
  factMissing,
  streams = 1,
  gain = { low: 1, high: 1 },
  hangs,
  inBits = false,
  besides = [],
}: FlowQuery): Flow {
  const low = gain.low * Math.min(...stages.map((stage) => stage.low));
  const high = gain.high * Math.min(...stages.map((stage) => stage.high));
  const narrowest = stages.find((stage) => stage.high * gain.high === high);
  const limiting = narrowest?.code ?? null;
  const bits = inBits && unit === 'B/s' ? 8 : 1;
  const figures: Payload<RateCode> = {
    needed: wanted * bits,
    available: high * bits,
    unit: bits === 1 ? unit : 'b/s',
    ...(limiting === null ? {} : { subject: limiting }),
  };
  const rate = rateFinding(low, high, wanted, factMissing, figures);
  const worst = worstVerdict([rate, ...besides]);
  // Where nothing comes through at all, what else is said of it is the reason.
  const said = high === 0 ? [...besides, rate] : [rate, ...besides];
  const finding = said.find(({ verdict }) => verdict === worst) ?? rate;
  return {
    need,
    unit,
    wanted,
    low,
    high,
    stages,
    limiting,
    limitingHop: narrowest?.hop ?? null,
    finding,
    catches: worst === 'blocked' ? [] : said.filter((each) => each !== finding && isCatch(each)),
    units: worst === 'blocked' ? 0 : units,
    streams,
    gain,
    hangs: hangs ?? null,
    adapters: [],
    modules: [],
    forDrives: NOTHING_FOR_DRIVES,
  };
}

/** It works, but not without something, or not wholly. */
const isCatch = ({ verdict }: Finding): boolean => verdict === 'limited' || verdict === 'needs';

export const catchesIn = ({ finding, catches }: Flow): readonly Finding[] =>
  [finding, ...catches].filter(isCatch);

type RateCode = 'deliver.meets' | 'deliver.tight' | 'deliver.short' | 'deliver.unknown';

function rateFinding(
  low: number,
  high: number,
  wanted: number,
  factMissing: boolean,
  figures: Payload<RateCode>,
): Finding {
  // Too little over what is known stays too little, whatever is still unknown.
  if (high < wanted) return { code: 'deliver.short', verdict: 'blocked', ...figures };
  if (factMissing) return { code: 'deliver.unknown', verdict: 'unknown', ...figures };
  return low < wanted
    ? { code: 'deliver.tight', verdict: 'limited', ...figures }
    : { code: 'deliver.meets', verdict: 'clear', ...figures };
}

/** Something wanted that the delivery does not have at all. */
export const lacking = <Thing extends Subjects['feature']>(
  wanted: readonly Thing[],
  there: readonly Thing[],
): readonly Finding[] =>
  wanted
    .filter((thing) => !there.includes(thing))
    .map((subject): Finding => ({ code: 'deliver.lacks', verdict: 'blocked', subject }));
