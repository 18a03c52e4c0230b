/** What is done before the machine is opened: facts to settle, things to order, drivers and firmware. */
import { newCardsOf, type AssembledCard, type Assembly } from '../assembly/assembly.ts';
import { extrasOrdered } from '../assembly/rounds.ts';
import { packagesWanted } from '../assembly/driverTargets.ts';
import { isDriven } from '../drivers/chooseDriver.ts';
import { actWord } from '../document/act.ts';
import { cardKindOf } from '../kinds/delivery.ts';
import { valueOf } from '../parts/fact.ts';
import { extraName, isUnpriced, type Extra } from '../parts/extra.ts';
import { isBuilt } from '../document/machine.ts';
import { areUsed, drivesNeeded } from '../kinds/drives/wanted.ts';
import type { Job } from '../document/job.ts';
import { deviceId } from '../parts/pciFunction.ts';
import { machineAround } from '../placement/housing.ts';
import type { FindingCode } from '../rules/findingCodes.ts';
import { unknownFacts } from '../rules/unknownFacts.ts';
import type { ExtraKind } from '../standards/extras.ts';
import type { Act } from './fitting/act.ts';
import type { FitCode } from './fitting/acts.ts';
import { unknownForFitting } from './fitting/unknownForFitting.ts';
import { installing, isInstalledFirst, removing } from './driverSteps.ts';
import { cardAt, keyed, plainStep, step, type Draft } from './step.ts';

/** Devices in trouble that a step names. */
const MOST_NAMED = 5;

/** @param fitting the acts of the physical work that it prepares */
export const prepare = (
  job: Job,
  assembly: Assembly,
  fitting: readonly Act[],
): readonly Draft[] => [
  ...toSettle(job, assembly),
  ...toOrder(job, assembly),
  // How it is comes before whatever changes the machine: its firmware, its settings, its drivers.
  ...settingsFirst(assembly),
  // A machine that was never on holds nobody's data; a drive that was in use does.
  ...(job.needs.some(
    (need) => drivesNeeded(need) !== null && (isBuilt(job.machine) || areUsed(need)),
  )
    ? [plainStep('backUp', { cautions: ['othersData'] })]
    : []),
  ...(isBuilt(job.machine) ? [plainStep('before')] : []),
  ...toReady(job, assembly),
  ...arriving(job, assembly),
  ...(fitting.length === 0
    ? []
    : [layOut(job, fitting), ...(isBuilt(job.machine) ? [plainStep('photoBehind')] : [])]),
  ...(job.driverWays.removal === 'before' ? removing(job) : []),
  ...packagesWanted(job)
    .filter(
      (each) => isInstalledFirst(each.package) && each.targets.some(({ card }) => card !== null),
    )
    .map((each) =>
      step('installFirst', installing(each.package, job.driverWays), {
        on: { package: each.package.id },
      }),
    ),
];

/** What came, held against what was ordered, before the customer's machine is touched. */
const arriving = (job: Job, assembly: Assembly): readonly Draft[] => [
  ...newCardsOf(assembly).map((each) => {
    const { card, slot } = each;
    const wanted =
      card.bus === 'm2' ? null : valueOf(machineAround(slot, assembly.machine).case.bracket);
    const { bracketMounted, contents, returnDays } = card;
    return step(
      'checkArrived',
      {
        ...cardAt(each),
        mounted: card.bus === 'm2' ? null : bracketMounted,
        wanted,
        contents,
        returnDays,
      },
      keyed(each),
    );
  }),
  ...extrasOrdered(job).map(({ kind, fits, count }) => {
    const record = recordOf(job, kind, fits);
    return step(
      'checkExtra',
      { name: record === null ? '' : extraName(record), kind, fits, count },
      { on: { extra: extraKey(kind, fits) } },
    );
  }),
  ...job.bought.map((extra) =>
    step(
      'checkExtra',
      { name: extraName(extra), kind: extra.kind, fits: '', count: 1 },
      { on: { extra: extra.id } },
    ),
  ),
];

/** What lies ready before anything is opened: the tools that the tasks name, and what goes with their acts. */
function layOut(job: Job, fitting: readonly Act[]): Draft {
  const codes = new Set(fitting.map(({ draft }) => draft.code));
  const cautions = fitting.flatMap(({ draft }) => draft.cautions);
  const has = (...some: readonly FitCode[]) => some.some((code) => codes.has(code));
  return step('layOut', {
    tools: [...new Set(fitting.flatMap(({ tool }) => tool ?? []))],
    consumables: [
      'tray',
      'bag',
      ...(job.staticWay === 'touch' ? [] : ['strap' as const]),
      ...(has('joinFront', 'joinLead', 'joinHeader', 'moveObstacle', 'joinDrives', 'plug')
        ? ['ties' as const]
        : []),
      ...(has('joinDrives', 'freeCard', 'mountDrives') ? ['labels' as const] : []),
      ...(cautions.includes('sharpCover') ? ['gloves' as const] : []),
    ],
  });
}

/** What nobody can look up once it is changed. */
function settingsFirst(assembly: Assembly): readonly Draft[] {
  const cards = newCardsOf(assembly);
  const has = (code: FindingCode) =>
    cards.some(({ findings }) => findings.some((finding) => finding.code === code));
  const isUpdated = has('firmware.old');
  const isSplit = cards.some(({ card }) => card.needsSplit);
  return isUpdated || isSplit || has('firmware.smallWindows')
    ? [step('noteSettings', { isUpdated, isSplit })]
    : [];
}

/** Facts that are asked for and that this plan's slots wait for. */
function toSettle(job: Job, assembly: Assembly): readonly Draft[] {
  const used = new Set(newCardsOf(assembly).map(({ slot }) => slot.id));
  const asked = unknownFacts(assembly.machine, job.needs).filter(
    ({ slotId }) => slotId === undefined || used.has(slotId),
  );
  return [...asked, ...unknownForFitting(job, assembly)].map(
    ({ code, slotId, enclosureId, subject }) =>
      step(
        'settle',
        { fact: code, subject: subject ?? '' },
        {
          on: {
            what: code,
            ...(slotId === undefined ? {} : { slot: slotId }),
            ...(enclosureId === undefined ? {} : { box: enclosureId }),
          },
          ...(slotId === undefined ? {} : { slotId }),
        },
      ),
  );
}

/** What was chosen for it by name; null: nothing was. */
const recordOf = ({ plan }: Job, kind: ExtraKind, fits: string): Extra | null =>
  plan?.extras.find((each) => each.kind === kind && each.fits === fits)?.extra ?? null;

const extraKey = (kind: ExtraKind, fits: string): string =>
  actWord(kind === 'bracket' ? `${kind}-${fits}` : fits || kind);

const toOrder = (job: Job, assembly: Assembly): readonly Draft[] => [
  ...newCardsOf(assembly).map((each) =>
    step(
      'order',
      {
        ...cardAt(each),
        cents: each.card.priceCents,
        returnDays: each.card.returnDays,
        isAtHand: each.card.leadDays === null,
      },
      keyed(each),
    ),
  ),
  ...extrasOrdered(job).map(({ kind, fits, count }) =>
    step(
      'orderExtra',
      { kind, fits, count, isAtHand: recordOf(job, kind, fits)?.leadDays === null },
      { on: { extra: extraKey(kind, fits) } },
    ),
  ),
  ...job.bought.map((extra) =>
    step(
      'orderNamed',
      {
        name: extraName(extra),
        kind: extra.kind,
        isAtHand: extra.leadDays === null && !isUnpriced(extra),
        isUnpriced: isUnpriced(extra),
      },
      { on: { extra: extra.id } },
    ),
  ),
];

function toReady(job: Job, assembly: Assembly): readonly Draft[] {
  const { machine } = assembly;
  const fitted = newCardsOf(assembly);
  const packages = packagesWanted(job);
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
    ...packages.map(fetching),
    ...fitted
      .filter(({ driver }) => !isDriven(driver))
      .map((each) =>
        step('findDriver', { ...cardAt(each), identity: deviceId(each.card.ids) }, keyed(each)),
      ),
    ...found('system.secureBoot').map(({ each }) => step('enrolKey', cardAt(each), keyed(each))),
    ...fitted
      .filter(({ card }) => card.needsSplit)
      .map((each) => step('splitSlot', cardAt(each), keyed(each))),
    ...found('firmware.smallWindows').map(({ each }) =>
      step('openWindows', { ...cardAt(each), megabytes: each.card.windowMegabytes }, keyed(each)),
    ),
    ...(valueOf(machine.case.spareScrews) === 0 && fitted.some(({ card }) => card.bus !== 'm2')
      ? [step('bringScrew', { count: fitted.length, isModule: false })]
      : []),
    ...(valueOf(machine.case.spareModuleScrews) === 0
      ? fitted
          .filter(({ card }) => card.bus === 'm2')
          .slice(0, 1)
          .map(() =>
            step(
              'bringScrew',
              { count: fitted.filter(({ card }) => card.bus === 'm2').length, isModule: true },
              { on: { what: 'module' } },
            ),
          )
      : []),
    ...(machine.damage.length > 0
      ? [step('showDamage', { what: machine.damage.map(({ what }) => what) })]
      : []),
    ...found('quirk.firmwareFirst').map(({ each }) =>
      step('firmwareFirst', cardAt(each), { ...keyed(each), cautions: ['steadyPower', 'static'] }),
    ),
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
    ...(packages.some((each) => each.package.bootParameter !== null)
      ? [plainStep('rescueMedium')]
      : []),
    ...flashing(fitted),
    ...(packages.length === 0
      ? []
      : [
          step('writeStick', {
            count: packages.length,
            isOnlyWay: fitted.some(({ card }) => cardKindOf(card.delivers).isWayOnLine),
          }),
        ]),
  ];
}

const flashing = (fitted: readonly AssembledCard[]): readonly Draft[] =>
  fitted.flatMap((each) => {
    const firmware = each.driver.package?.firmware;
    return firmware?.how === 'flashed'
      ? [
          step(
            'flashCard',
            { ...cardAt(each), name: firmware.name },
            { ...keyed(each), cautions: ['steadyPower'] },
          ),
        ]
      : [];
  });

function fetching({ package: of, targets }: ReturnType<typeof packagesWanted>[number]): Draft {
  const { id, title, version, channel, files } = of;
  const choices = targets.map(({ choice }) => choice);
  const next = choices.flatMap(({ outranks }) => outranks)[0];
  return step(
    'fetchDriver',
    {
      title,
      version,
      from: channel,
      bytes: files.reduce((sum, { bytes }) => sum + bytes, 0),
      outranked:
        next === undefined
          ? null
          : { title: next.package.title, version: next.package.version, by: next.by },
      sure: choices.every(({ sure }) => sure),
    },
    { on: { package: id } },
  );
}
