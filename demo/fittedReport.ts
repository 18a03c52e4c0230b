/** What the machine prints once cards are in: its report from before, with their devices behind its ports. */
import { className, type Link } from '../src/core/standards/index.ts';
import { deviceId } from '../src/core/parts/index.ts';
import type { Card } from '../src/core/document/index.ts';

interface FittedCard {
  readonly card: Card;
  /** Bus, device and function of the port above it, and the bus behind that. */
  readonly port: string;
  readonly bus: string;
  /** What the link trained to. */
  readonly link: Link;
  readonly driver: string | null;
}

const TRANSFERS = ['', '2.5GT/s', '5GT/s', '8GT/s', '16GT/s', '32GT/s'] as const;
const speed = ({ generation, width }: Link) => `Speed ${TRANSFERS[generation]}, Width x${width}`;

/** @param lspci of the empty machine, as `lspci -vvnn` prints it */
export function fittedReport(lspci: string, fitted: readonly FittedCard[]): string {
  const trained = lspci.split('\n\n').map((section) => {
    const inPort = fitted.find(({ port }) => section.startsWith(`${port} `));
    return inPort === undefined
      ? section
      : section.replace(/LnkSta:\tSpeed [^,]+, Width x\d+/, `LnkSta:\t${speed(inPort.link)}`);
  });
  return [...trained.map((section) => section.trimEnd()), ...fitted.map(printed)]
    .join('\n\n')
    .concat('\n');
}

function printed({ card, bus, link, driver }: FittedCard): string {
  const class16 = card.ids.class24 >> 8;
  return [
    `${bus}:00.0 ${className(class16)} [${class16.toString(16).padStart(4, '0')}]: Device [${deviceId(card.ids)}] (rev 01)`,
    `\tCapabilities: [40] Express (v2) Endpoint, IntMsgNum 0`,
    `\t\tLnkCap:\tPort #0, ${speed({ generation: card.generation, width: card.lanes })}, ASPM not supported`,
    `\t\tLnkSta:\t${speed(link)}`,
    ...(driver === null ? [] : [`\tKernel driver in use: ${driver}`]),
  ].join('\n');
}
