/** What is looked at before anything is measured. */
import type { Assembly } from '../assembly/assembly.ts';
import { valueOf } from '../parts/fact.ts';
import { keyed, cardAt, plainStep, step, type Draft } from './step.ts';

export function prove({ cards, machine }: Assembly): readonly Draft[] {
  const serving = (kind: string, asks: (need: object) => boolean = () => true) =>
    cards.filter(({ flows }) => flows.some(({ need }) => need.kind === kind && asks(need)));
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
    ...serving('drives', (need) => 'bootable' in need && need.bootable === true).map((each) =>
      step('checkStartedFrom', cardAt(each), keyed(each)),
    ),
    ...(serving('network').length > 0 ? [plainStep('checkShare')] : []),
  ];
}
