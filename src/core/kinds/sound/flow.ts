/** Sound: as many channels and inputs as are wanted, and the sockets at the front with them. */
import type { Machine } from '../../document/machine.ts';
import { valueOf } from '../../parts/fact.ts';
import type { Finding } from '../../rules/finding.ts';
import type { PortWanted } from '../../rules/findingCodes.ts';
import type { FrontLead } from '../../standards/headers.ts';
import { conclude, delivering, type Flow, type Provider } from '../flow.ts';
import type { SoundNeed } from './need.ts';

export function soundFlow(from: Provider, need: SoundNeed, machine: Machine): Flow | null {
  const provider = delivering(from, 'sound');
  if (provider === null) return null;
  const { channels, inputs, optical } = provider.delivers;
  const lacks = (subject: PortWanted): Finding => ({
    code: 'deliver.lacks',
    verdict: 'blocked',
    subject,
  });
  const front = frontSound(provider, machine);
  return conclude({
    need,
    unit: 'count',
    wanted: need.channels,
    units: 1,
    stages: [{ code: 'card', low: channels, high: channels }],
    factMissing: need.front && front === null,
    besides: [
      ...(inputs < need.inputs ? [lacks('inputs')] : []),
      ...(need.optical && !optical ? [lacks('optical')] : []),
      ...(need.front && front === false ? [lacks('front')] : []),
    ],
  });
}

/** Whether the front sockets sound with it; null while no lead of the case is told. What is on the board is joined already. */
function frontSound({ fitted }: Provider, machine: Machine): boolean | null {
  if (fitted === null) return true;
  const audio: FrontLead = 'audio';
  if (!fitted.card.frontHeaders.some(({ type }) => type === audio)) return false;
  return valueOf(machine.case.frontLeads)?.some(({ type }) => type === audio) ?? null;
}
