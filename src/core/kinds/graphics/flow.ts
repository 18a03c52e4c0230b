/** Graphics work asks for memory, speed and encoders. */
import type { Finding } from '../../rules/finding.ts';
import { conclude, delivering, lacking, type Flow, type Provider } from '../flow.ts';
import type { ScreensCard } from '../screens/card.ts';
import type { GraphicsNeed } from './need.ts';

export function graphicsFlow(from: Provider, need: GraphicsNeed): Flow | null {
  const provider = delivering(from, 'screens');
  if (provider === null) return null;
  const { delivers } = provider;
  return conclude({
    need,
    unit: 'GB',
    wanted: need.memoryGigabytes,
    units: 1,
    stages: [{ code: 'card', low: delivers.memoryGigabytes, high: delivers.memoryGigabytes }],
    factMissing: false,
    besides: [...slower(delivers, need), ...lacking(need.encodes, delivers.encodes)],
  });
}

const slower = ({ speedClass }: ScreensCard, need: GraphicsNeed): readonly Finding[] =>
  speedClass >= need.speedClass
    ? []
    : [
        {
          code: 'deliver.slower',
          verdict: 'blocked',
          needed: need.speedClass,
          available: speedClass,
          unit: 'count',
        },
      ];

/**
 * Frames a second at which a class of work is fluent, and at which most screens show no more: what graphics are proven by.
 * Common practice, no source.
 */
const FLUENT_FRAMES = [30, 60] as const;

/** The flow in what it is proven by: memory is read off the card, a class of work is seen at work. */
export function asFrames(flow: Flow): Flow {
  const [low, high] = FLUENT_FRAMES;
  return { ...flow, unit: 'frames', wanted: low, low, high, stages: [{ code: 'card', low, high }] };
}
