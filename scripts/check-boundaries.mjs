/** Shows that a forbidden import fails: lints lines that break the one-way rule, each where it would stand. */
import { ESLint } from 'eslint';

const FORBIDDEN = [
  ['src/core/rules/seat.ts', "import { tick } from 'svelte';\nexport { tick };\n"],
  [
    'src/core/rules/seat.ts',
    "import { proposePlan } from '../planner/answers/plan.ts';\nexport { proposePlan };\n",
  ],
  [
    'src/core/placement/sockets.ts',
    "import { power } from '../rules/power.ts';\nexport { power };\n",
  ],
  [
    'src/core/read/evidence.ts',
    "import { modulesFor } from '../drivers/moduleMatching.ts';\nexport { modulesFor };\n",
  ],
  ['src/core/standards/usb.ts', "import { Card } from '../parts/card.ts';\nexport { Card };\n"],
  ['src/core/flow/stages.ts', "import localforage from 'localforage';\nexport { localforage };\n"],
  [
    'src/core/planner/bound/relaxation.ts',
    "import { search } from '../search/search.ts';\nexport { search };\n",
  ],
  [
    'src/core/simulator/act.ts',
    "import { edgesOf } from '../procedure/fitting/edges.ts';\nexport { edgesOf };\n",
  ],
  ['src/core/planner/answers/plan.ts', 'export const time = Date.now();\n'],
  ['src/core/planner/answers/plan.ts', 'export const chance = Math.random();\n'],
  ['src/core/write/jobFile.ts', "export const later = import('../index.ts');\n"],
  [
    'src/lib/board/lanes.ts',
    "import { slotLink } from '../../core/rules/link.ts';\nexport { slotLink };\n",
  ],
  [
    'src/lib/board/lanes.ts',
    "import { slotLink } from '$core/placement/slotLink';\nexport { slotLink };\n",
  ],
  ['src/lib/board/lanes.ts', "import { apply } from '$core';\nexport { apply };\n"],
  [
    'src/lib/board/lanes.ts',
    "import { Planning } from '$lib/stages/planning.svelte';\nexport { Planning };\n",
  ],
  [
    'src/lib/words/en/keeping.ts',
    "import { shop } from '../../state/shop.svelte';\nexport { shop };\n",
  ],
  ['src/lib/board/lanes.ts', "import { CARDS } from '$demo/catalogue/cards';\nexport { CARDS };\n"],
  ['src/lib/ui/Total.svelte', '<p>Before tax</p>\n'],
  ['src/lib/ui/Total.svelte', '<button aria-label="close"></button>\n'],
  ['src/lib/ui/Total.svelte', "{open ? 'Still open' : ''}\n"],
  ['src/lib/board/lanes.ts', "export const named = 'Lanes in use';\n"],
  ['src/lib/board/lanes.ts', 'export const named = (n: number) => `${n} of them are open`;\n'],
  ['src/core/write/jobFile.ts', "export const named = 'The job';\n"],
];

const eslint = new ESLint();
let letThrough = 0;
for (const [filePath, text] of FORBIDDEN) {
  const [result] = await eslint.lintText(text, { filePath });
  const refused = result.messages.some(({ ruleId }) => ruleId?.includes('no-restricted'));
  if (!refused) {
    letThrough += 1;
    console.error(`Not refused in ${filePath}: ${text.split('\n')[0]}`);
  }
}
console.log(`${FORBIDDEN.length - letThrough} of ${FORBIDDEN.length} forbidden lines refused`);
process.exit(letThrough === 0 ? 0 : 1);
