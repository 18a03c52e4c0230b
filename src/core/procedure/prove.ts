/** What is looked at before anything is measured. */
import type { Assembly } from '../assembly/assembly.ts';
import { isStartedFrom } from '../kinds/drives/wanted.ts';
import { asksOf, type Need } from '../kinds/need.ts';
import { valueOf } from '../parts/fact.ts';
import { keyed, cardAt, plainStep, step, type Draft } from './step.ts';

export function prove({ cards, machine }: Assembly): readonly Draft[] {
  const serving = (isAsked: (need: Need) => boolean) =>
    cards.filter(({ flows }) => flows.some(({ need }) => isAsked(need)));
  return [
    ...cards.flatMap((each) => {
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
    }),
    ...serving(isStartedFrom).map((each) => step('checkStartedFrom', cardAt(each), keyed(each))),
    ...(serving((need) => asksOf([need], 'wire')).length > 0 ? [plainStep('checkShare')] : []),
  ];
}
