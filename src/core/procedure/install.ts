/** Drivers after the cards are in, and what is looked at before anything is measured. */
import { newCardsOf, type AssembledCard, type Assembly } from '../assembly/assembly.ts';
import { valueOf } from '../parts/fact.ts';
import { deviceId } from '../parts/pciFunction.ts';
import { cardAt, keyed, plainStep, step, type Draft } from './step.ts';

export function drivers(assembly: Assembly): readonly Draft[] {
  const family = valueOf(assembly.machine.system.family);
  const perCard = newCardsOf(assembly).flatMap((each): readonly Draft[] => [
    step(
      'checkDevice',
      { ...cardAt(each), identity: deviceId(each.card.ids), family },
      keyed(each),
    ),
    ...installing(each),
  ]);
  const restart = perCard.some(({ code }) => code === 'installDriver')
    ? [plainStep('restart')]
    : [];
  return [...perCard, ...restart];
}

function installing(each: AssembledCard): readonly Draft[] {
  const { package: chosen, ownDriver } = each.driver;
  if (chosen === null || chosen.inbox) {
    const driver = chosen?.title ?? ownDriver;
    return driver === null
      ? [step('installFound', cardAt(each), keyed(each))]
      : [step('ownDriver', { ...cardAt(each), driver }, keyed(each))];
  }
  // It was installed before the card went in.
  if (chosen.order === 'driver-first') return [];
  const { title, version } = chosen;
  return [step('installDriver', { ...cardAt(each), title, version }, keyed(each))];
}

export const prove = ({ cards, machine }: Assembly): readonly Draft[] =>
  cards.flatMap((each) => {
    const link = each.link?.link;
    if (link == null) return [];
    const { generation, width } = link;
    return [
      step(
        'checkLink',
        {
          ...cardAt(each),
          generation,
          width,
          family: valueOf(machine.system.family),
          ofEach: each.card.needsSplit,
        },
        { ...keyed(each), cautions: ['hotCard'] },
      ),
    ];
  });
