/** What other rooms than the core's take of this one. */
export { wireLinks } from './network/wire.ts';
export { CARD_KINDS, Delivery, type DeliveryKind, type DeliveryOf } from './delivery.ts';
export {
  Need,
  type NeedKind,
  type NeedOf,
  needKindOf,
  takesCard,
  isServedBy,
  plainNeed,
  unitsNeeded,
} from './need.ts';
export { begunFor } from './keep/begun.ts';
export { areUsed, drivesWanted } from './drives/wanted.ts';
export { socketWanted } from './drives/need.ts';
export { type StageCode } from './stages.ts';
export { type Flow, type FlowStage } from './flow.ts';
export { type WantedScreen, pairScreens } from './screens/flow.ts';
export { type LeadEnd } from './leadEnd.ts';
export { type Component, type ComponentName } from './component.ts';
export { type Measure } from './needKind.ts';
