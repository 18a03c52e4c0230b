/** What is looked at before anything is measured. */
import type { Assembly } from '../assembly/assembly.ts';
import { valueOf } from '../parts/fact.ts';
import { keyed, cardAt, step, type Draft } from './step.ts';

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
