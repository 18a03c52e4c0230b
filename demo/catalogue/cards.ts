/** The invented catalogue of the parts supplier. Makers, models and device identities are invented. */
import type { Card } from '../../src/core/document/index.ts';
import { GRAPHICS } from './graphics.ts';
import { NETWORK } from './network.ts';
import { PORTS } from './ports.ts';
import { STORAGE } from './storage.ts';

export const CARDS: readonly Card[] = [...GRAPHICS, ...PORTS, ...NETWORK, ...STORAGE];
