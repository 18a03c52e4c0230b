/** Tools that measure and write what they measured by themselves, each known by its own name. */
import type { TextReader } from '../reader.ts';
import { fio } from './fio.ts';
import { hdparm } from './hdparm.ts';
import { iperf3 } from './iperf3.ts';

export const TOOLS = [iperf3, fio, hdparm] as const satisfies readonly TextReader[];
export type ToolKind = (typeof TOOLS)[number]['kind'];
