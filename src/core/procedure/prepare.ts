/** What is done before the machine is opened: facts to settle, things to order, drivers and firmware. */
import { newCardsOf, type Assembly } from '../assembly/assembly.ts';
import { valueOf } from '../parts/fact.ts';
import { extraName } from '../parts/extra.ts';
import type { Job } from '../parts/job.ts';
import { deviceId } from '../parts/pciFunction.ts';
import type { FindingCode } from '../rules/findingCodes.ts';
import { unknownFacts } from '../rules/unknownFacts.ts';
import { cardAt, keyed, plainStep, step, type Draft } from './step.ts';

/** Devices in trouble that a step names. */
const MOST_NAMED = 5;

export const prepare = (job: Job, assembly: Assembly): readonly Draft[] => [
  ...toSettle(job, assembly),
  ...toOrder(job, assembly),
  ...toReady(job, assembly),
  ...(job.needs.some(({ kind }) => kind === 'drives')
    ? [plainStep('backUp', { cautions: ['othersData'] })]
    : []),
  plainStep('before'),
];

/** Facts that are asked for and that this plan's slots wait for. */
function toSettle(job: Job, assembly: Assembly): readonly Draft[] {
  const used = new Set(newCardsOf(assembly).map(({ slot }) => slot.id));
  return unknownFacts(assembly.machine, job.needs)
    .filter(({ slotId }) => slotId === undefined || used.has(slotId))
    .map(({ code, slotId, enclosureId, subject }) =>
      step(
        'settle',
        { fact: code, subject: subject ?? '' },
        {
          key: [code, slotId ?? enclosureId ?? []].flat().join(':'),
          ...(slotId === undefined ? {} : { slotId }),
        },
      ),
    );
}

const toOrder = (job: Job, assembly: Assembly): readonly Draft[] => [
  ...newCardsOf(assembly).map((each) =>
    step('order', { ...cardAt(each), cents: each.card.priceCents }, keyed(each)),
  ),
  ...assembly.extras.map(({ kind, fits, count }) =>
    step(
      'orderExtra',
      { kind, fits, count },
      { key: kind === 'bracket' ? `${kind}-${fits}` : fits || kind },
    ),
  ),
  ...job.bought.map((extra) =>
    step('orderNamed', { name: extraName(extra), kind: extra.kind }, { key: extra.id }),
  ),
];

function toReady(job: Job, assembly: Assembly): readonly Draft[] {
  const { machine } = assembly;
  const fitted = newCardsOf(assembly);
  const packages = job.plan?.packages.filter((each) => !each.inbox) ?? [];
  const found = (code: FindingCode) =>
    fitted.flatMap((each) =>
      each.findings
        .filter((finding) => finding.code === code)
        .map((finding) => ({ each, finding })),
    );
  return [
    ...found('firmware.old')
      .slice(0, 1)
      .map(({ finding }) =>
        step(
          'updateFirmware',
          { year: finding.available ?? 0 },
          { cautions: ['steadyPower', 'othersData'] },
        ),
      ),
    ...packages.map(({ id, title, version }) =>
      step('fetchDriver', { title, version }, { key: id }),
    ),
    ...fitted
      .filter(({ driver }) => driver.package === null && driver.ownDriver === null)
      .map((each) =>
        step('findDriver', { ...cardAt(each), identity: deviceId(each.card.ids) }, keyed(each)),
      ),
    ...found('system.secureBoot').map(({ each }) => step('enrolKey', cardAt(each), keyed(each))),
    ...fitted
      .filter(({ card }) => card.needsSplit)
      .map((each) => step('splitSlot', cardAt(each), keyed(each))),
    ...(valueOf(machine.case.spareScrews) === 0 && fitted.some(({ card }) => card.bus !== 'm2')
      ? [step('bringScrew', { count: fitted.length })]
      : []),
    ...(machine.inTrouble.length > 0
      ? [
          step('noteTrouble', {
            count: machine.inTrouble.length,
            names: machine.inTrouble
              .slice(0, MOST_NAMED)
              .map(({ id, name }) => name || id)
              .join('; '),
          }),
        ]
      : []),
    ...packages
      .filter(({ order }) => order === 'driver-first')
      .map(({ id, title, version }) => step('installFirst', { title, version }, { key: id })),
  ];
}
