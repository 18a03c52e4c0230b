/** What can be found at the bench that does not go, and at which step. */
import type { Card } from '../../document/card.ts';
import type { Job } from '../../document/job.ts';
import { leadRow, type LeadKind } from '../../standards/innerLeads.ts';
import type { Step, StepCode, StepValues } from '../step.ts';

export type Found =
  /** The lead of the plug reaches down so far from the board's upper edge. */
  | { readonly kind: 'leadShort'; readonly mm: number }
  /** Something stands in the card's path: so far from the rear edge, so high over the board. */
  | {
      readonly kind: 'inTheWay';
      readonly what: string;
      readonly fromRearMm: number;
      readonly heightMm: number;
      readonly movable: boolean;
      /** It is moved by pulling its plug, which goes in again. */
      readonly hasPlug: boolean;
    }
  /** The board has no such header. */
  | { readonly kind: 'noHeader' }
  /** Another plug is in it, and stays. */
  | { readonly kind: 'headerTaken' }
  /** Nothing goes there any more. */
  | { readonly kind: 'pinBent' }
  /** Nothing keeps the plug from going in the wrong way. */
  | { readonly kind: 'notKeyed' }
  /** A plug inside came out meanwhile. */
  | { readonly kind: 'knockedLoose'; readonly lead: LeadKind; readonly name: string }
  /** The cover does not come out: riveted, or part of the case. */
  | { readonly kind: 'coverStuck' }
  /** Latch or connector is broken: nothing goes in there. */
  | { readonly kind: 'slotBroken' }
  /** Only the mounted bracket lay in the box. */
  | { readonly kind: 'bracketWrong' }
  | { readonly kind: 'cardLonger'; readonly mm: number }
  | { readonly kind: 'screwMissing' }
  /** Something that should lie in the card's box does not. */
  | { readonly kind: 'boxShort'; readonly missing: Card['contents'][number] };
export type FoundKind = Found['kind'];

const FOUND_AT: Readonly<Record<FoundKind, readonly StepCode[]>> = {
  leadShort: [
    'plug',
    'joinHeader',
    'joinFront',
    'joinEnd',
    'joinDrives',
    'joinDriveEnds',
    'feedDrives',
    'joinRear',
  ],
  noHeader: ['joinHeader', 'joinEnd'],
  headerTaken: ['joinHeader', 'joinEnd'],
  pinBent: ['joinHeader', 'joinFront', 'joinEnd'],
  notKeyed: ['joinHeader', 'joinEnd'],
  knockedLoose: ['lookOver'],
  inTheWay: ['seat'],
  coverStuck: ['removeCover'],
  slotBroken: ['seat', 'clearSlot'],
  bracketWrong: ['swapBracket', 'checkArrived'],
  cardLonger: ['seat', 'checkArrived'],
  screwMissing: ['screw', 'closeOpening', 'fitPlate'],
  boxShort: ['checkArrived'],
};

/** What can be found at a step; none where it is only gone on with a reason. */
export function findable(step: Step, job: Job): readonly FoundKind[] {
  const kinds = (Object.keys(FOUND_AT) as readonly FoundKind[]).filter((kind) =>
    FOUND_AT[kind].includes(step.code),
  );
  // A plate goes through whichever opening is free; only a card is bound to its own.
  const slot = job.machine.slots.find(({ id }) => id === step.slotId);
  return step.code === 'removeCover' && slot?.enclosureId !== null
    ? []
    : kinds.filter(
        (kind) =>
          (kind !== 'inTheWay' || slot?.enclosureId === null) &&
          (step.code !== 'joinEnd' || canBeOfLead(kind, step.values)) &&
          (kind !== 'notKeyed' || !step.cautions.includes('pinOne')) &&
          (step.code !== 'checkArrived' || canArriveSo(kind, step.values)),
      );
}

/** Only what plugs into the board can find its place taken, or missing. */
function canBeOfLead(kind: FoundKind, { end, lead }: StepValues['joinEnd']): boolean {
  if (kind === 'notKeyed') return ['keyed', 'latch'].includes(leadRow(lead).guard);
  return end === 'board' || kind === 'leadShort' || kind === 'pinBent';
}

/** Only a card with a bracket to swap lacks it, and only a box with things in it lacks one. */
function canArriveSo(
  kind: FoundKind,
  { mounted, wanted, contents }: StepValues['checkArrived'],
): boolean {
  if (kind === 'boxShort') return contents.length > 0;
  return kind !== 'bracketWrong' || (wanted !== null && mounted !== null && wanted !== mounted);
}
