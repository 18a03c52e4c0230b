/**
 * Cards tried in another, similar machine before the real build: put in, started with the case open – there and nowhere
 * else –, looked for in firmware and system, and taken out again.
 */
import {
  assemblyOf,
  newCardsOf,
  type AssembledCard,
  type Assembly,
} from '../../assembly/assembly.ts';
import { actOf, actsOfRound, type ActOn } from '../../document/act.ts';
import { valueOf } from '../../parts/fact.ts';
import type { Job } from '../../document/job.ts';
import { emptyMachine, emptySlot, type Slot } from '../../document/machine.ts';
import { known } from '../../parts/fact.ts';
import type { Card } from '../../document/card.ts';
import type { SystemFamily } from '../../standards/systems.ts';
import { cardAt, keyed, plainStep, step } from '../step.ts';
import { act, latchOf, move, thing, type Act } from './act.ts';
import type { Reason } from './task.ts';
import type { FittingRound, OrderedAct } from './tasks.ts';

/** What the short survey of the other machine asks. */
export interface ShortSurvey {
  readonly name: string;
  readonly family: SystemFamily | null;
  /** It stands open, without a case around it. */
  readonly isOpen: boolean;
  /** For each card that is tried: the slot of the plan, and what the slot there is called. */
  readonly tries: readonly {
    readonly slotId: string;
    readonly card: Card;
    readonly label: string;
  }[];
}

/** The machine of a short survey: a free slot of its kind for each card, its cover off, and nothing else. */
export function benchTestOf({
  name,
  family,
  isOpen,
  tries,
}: ShortSurvey): NonNullable<Job['benchTest']> {
  const machine = emptyMachine();
  return {
    machine: {
      ...machine,
      name,
      system: { ...machine.system, family: family === null ? null : known(family, 'technician') },
      case: {
        ...machine.case,
        retentionBar: known(false, 'technician'),
      },
      slots: tries.map(({ card, label }, n): Slot => ({
        ...emptySlot(`try-${n + 1}`, label, card.bus),
        occupant: known(null, 'technician'),
      })),
    },
    isOpen,
    trials: tries.map(({ slotId }, n) => ({ slotId, benchSlotId: `try-${n + 1}` })),
  };
}

/** Null where nothing is tried. */
export function benchTestRound(job: Job): FittingRound | null {
  const { benchTest, plan } = job;
  if (benchTest === null || plan === null) return null;
  const placements = benchTest.trials.flatMap(({ slotId, benchSlotId }) =>
    plan.placements.flatMap((each) =>
      each.slotId === slotId ? { card: each.card, slotId: benchSlotId } : [],
    ),
  );
  if (placements.length === 0) return null;
  const tried: Job = {
    ...job,
    machine: benchTest.machine,
    benchTest: null,
    // What it is tried for, drives and all, waits for the real build.
    needs: [],
    bought: [],
    acts: actsOfRound(job.acts, 0),
    plan: { ...plan, placements, moves: [], givenUp: [], later: [], staged: [] },
  };
  const assembly = assemblyOf(tried);
  return {
    number: 0,
    isOver: false,
    job: tried,
    assembly,
    acts: actsOf(assembly, !benchTest.isOpen).map((each) => ({
      ...each,
      isOpen: actOf(tried, each.act.draft.code, each.act.draft.on) === undefined,
    })),
  };
}

/** Done once more when the cards are out again. */
const AFTER: ActOn = { what: 'after' };

/** Each act with those that it waits for: by their place in the list. @param opens there is a case to open */
function actsOf(assembly: Assembly, opens: boolean): readonly OrderedAct[] {
  const { machine } = assembly;
  const cards = newCardsOf(assembly);
  const list: OrderedAct[] = [];
  /** @returns its place */
  const add = (
    each: Act,
    ...after: readonly (readonly [because: Reason, ...at: readonly number[]])[]
  ): number =>
    list.push({
      act: each,
      isOpen: false,
      after: after.flatMap(([because, ...places]) => places.map((at) => ({ at, because }))),
    }) - 1;
  const panel = (code: 'openCase' | 'closeCase') =>
    act(step(code, { enclosure: '', held: valueOf(machine.case.panelHeld) }), {
      moves: [move(thing('panel', 'test', ''), code === 'openCase' ? 'tray' : 'inPlace')],
    });
  const mains = (to: 'tray' | 'inPlace') => ({ moves: [move(thing('mainsLead', 'test'), to)] });
  const leads = (to: 'tray' | 'inPlace') => ({ moves: [move(thing('outsideLeads', 'test'), to)] });
  const off = (on: ActOn, ...after: readonly number[]) => {
    const more = { on };
    const power = add(
      act(step('powerOff', { boxes: [] }, { ...more, cautions: ['mains'] }), mains('tray')),
      ['runsUntilThen', ...after],
    );
    const behind = add(act(plainStep('leadsOff', more), leads('tray')), ['power', power]);
    const empty = add(act(plainStep('discharge', more)), ['power', power]);
    return { behind, empty };
  };

  const first = off({});
  const earthed = add(act(plainStep('earth', { cautions: ['static'] })), ['power', first.empty]);
  const opened = opens
    ? [
        add(
          panel('openCase'),
          ['power', first.empty],
          ['tethered', first.behind],
          ['static', earthed],
        ),
      ]
    : [];
  const seats = cards.map((each) =>
    add(seating(each), ['power', first.empty], ['static', earthed], ['closed', ...opened]),
  );
  const plugs = cards.flatMap((each, n) =>
    plugging(each).map((own) => add(own, ['notIn', seats[n]!])),
  );
  const joined = add(act(step('leadsBack', { isFirst: false }), leads('inPlace')), [
    'tethered',
    ...opened,
  ]);
  const started = add(
    act(plainStep('tryStart', { cautions: ['openPower'] }), mains('inPlace')),
    ['beforeStart', joined],
    ['beforeStart', ...seats, ...plugs],
  );
  const seen = cards.flatMap((each) => {
    const at = cardAt(each);
    const { on } = keyed(each);
    return [
      add(act(step('tryFirmware', at, { on })), ['notRunning', started]),
      add(
        act(
          step(
            'trySystem',
            {
              ...at,
              listedAs: each.driver.listedAs ?? each.card.chip,
              family: valueOf(machine.system.family),
            },
            { on },
          ),
        ),
        ['notRunning', started],
      ),
    ];
  });
  const again = off(AFTER, ...seen);
  const freed = cards.map((each) =>
    each.card.sockets.length === 0
      ? []
      : [
          add(
            act(
              step(
                'freeCard',
                { ...cardAt(each), plugs: each.card.sockets, leads: [] },
                slotOf(each),
              ),
            ),
            ['power', again.empty],
          ),
        ],
  );
  const outs = cards.map((each, n) =>
    add(
      act(
        step(
          'tryOut',
          { ...cardAt(each), latch: latchOf(each.slot) },
          { ...keyed(each), cautions: ['hotCard'] },
        ),
        {
          moves: [move(thing('card', `try/${each.slot.id}`, cardAt(each).card), 'kept')],
        },
      ),
      ['power', again.empty],
      ['plugged', ...(freed[n] ?? [])],
    ),
  );
  const closed = opens ? [add(panel('closeCase'), ['closed', ...outs])] : [];
  const back = add(
    act(step('leadsBack', { isFirst: false }, { on: AFTER }), leads('inPlace')),
    ['outsideLast', ...outs, ...closed],
    ['tethered', again.behind],
  );
  add(
    // It runs as it ran before.
    act(
      opens ? plainStep('start') : plainStep('tryStart', { on: AFTER, cautions: ['openPower'] }),
      mains('inPlace'),
    ),
    ['openCase', ...closed],
    ['beforeStart', back, ...outs],
  );
  return list;
}

const slotOf = ({ slot }: AssembledCard) => ({ slotId: slot.id, on: { slot: slot.id } });

const seating = (each: AssembledCard): Act =>
  act(
    step(
      'seat',
      {
        ...cardAt(each),
        latch: latchOf(each.slot),
        hasGuide: false,
        hasBracket: each.card.bus !== 'm2',
      },
      { ...keyed(each), cautions: ['noForce'] },
    ),
    { moves: [move(thing('card', `try/${each.slot.id}`, cardAt(each).card), 'inPlace')] },
  );

const plugging = (each: AssembledCard): readonly Act[] =>
  each.card.sockets.map((plug, n) =>
    act(
      step(
        'plug',
        { ...cardAt(each), plug, adapter: null, isLengthened: false },
        {
          slotId: each.slot.id,
          on: { slot: each.slot.id, socket: n },
          cautions: ['oneLeadOnePlug'],
        },
      ),
    ),
  );
