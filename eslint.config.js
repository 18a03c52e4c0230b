import { readdirSync } from 'node:fs';
import globals from 'globals';
import js from '@eslint/js';
import svelte from 'eslint-plugin-svelte';
import regexp from 'eslint-plugin-regexp';
import ts from 'typescript-eslint';
import svelteConfig from './svelte.config.js';

/**
 * The rooms of the core in the order in which they may know each other: each may import from itself and
 * from the rooms before it.
 */
export const ROOMS = [
  'standards',
  'parts',
  'kinds',
  'document',
  'read',
  'catalogue',
  'drivers',
  'survey',
  'placement',
  'rules',
  'flow',
  'buying',
  'plans',
  'planner/candidates',
  'planner/bound',
  'planner/search',
  'planner/answers',
  'assembly',
  'procedure',
  'simulator',
  'diagnosis',
  'write',
  'backup',
  'commands',
];

/**
 * What a kind knows stands on two floors: what it is by itself under the documents that hold it, what comes of it in a machine
 * above placement and rules. A file of the second kind has one of these names.
 */
const KINDS_ABOVE = [
  'src/core/kinds/{way,ways,flow,proof,proofs,component,components,copyEnds,running,runnings}.ts',
  'src/core/kinds/*/{way,flow,causes,seen,join,stands,begun,wire,running,negotiated}.ts',
];
export const KINDS_ABOVE_FLOOR = ROOMS.indexOf('flow');

/** How an import from one room names another: rooms of one folder do not name the folder. */
const nameFrom = (room, other) =>
  room.includes('/') && other.startsWith(`${room.split('/')[0]}/`) ? other.split('/')[1] : other;

const OUTSIDE_CORE = {
  regex:
    '^(svelte|@sveltejs|\\$app|\\$lib|\\$env|\\$demo|carbon-|d3-(?!(?:array|random)$)|comlink|localforage|tinykeys|node:)',
  message: 'The core knows nothing of screens, storage or the server.',
};

/** What the core may not say, whatever it imports. */
const CORE_SYNTAX = [
  { selector: 'ImportExpression', message: 'The core imports statically.' },
  { selector: 'NewExpression[callee.name="Date"]', message: 'The time comes in as an argument.' },
];
const NO_SPREAD_INTO_LISTS = {
  selector: 'CallExpression[callee.property.name=/^(?:push|unshift)$/] > SpreadElement',
  message: 'A list of any length is no list of arguments: go through it.',
};

export const UPPER_KINDS = {
  regex:
    '(?:^|/)kinds/(?:\\w+/)?(?:way|ways|flow|proof|proofs|component|components|copyEnds|running|runnings|causes|seen|join|stands|begun|wire|negotiated)\\.ts$',
  message: 'What comes of a kind in a machine stands above this room.',
};

const roomRules = (room, files, floor, ignores = []) => ({
  files,
  ignores,
  rules: {
    'no-restricted-imports': [
      'error',
      {
        patterns: [
          OUTSIDE_CORE,
          ...(floor < KINDS_ABOVE_FLOOR ? [UPPER_KINDS] : []),
          ...ROOMS.slice(floor).map((other) => ({
            regex: `^(\\.\\./)+${nameFrom(room, other)}/`,
            message: `src/core/${room} comes before src/core/${other} and may not import from it.`,
          })),
          {
            regex: '/index(\\.ts)?$',
            message: 'Inside the core, import the file itself.',
          },
        ],
      },
    ],
  },
});

const coreRooms = [
  ...ROOMS.map((room, floor) =>
    roomRules(room, [`src/core/${room}/**/*.ts`], floor + 1, room === 'kinds' ? KINDS_ABOVE : []),
  ),
  roomRules('kinds', KINDS_ABOVE, KINDS_ABOVE_FLOOR),
];

/** The kinds of card and of need, which nobody asks for by name but their own folders. */
const KIND_NAMES = readdirSync('src/core/kinds', { withFileTypes: true }).flatMap((each) =>
  each.isDirectory() ? each.name : [],
);
const A_KIND = `/^(?:${KIND_NAMES.join('|')})$/`;
const NO_KIND_BY_NAME = [
  `BinaryExpression[operator=/^[!=]==$/][left.property.name='kind'][right.value=${A_KIND}]`,
  `BinaryExpression[operator=/^[!=]==$/][left.name='kind'][right.value=${A_KIND}]`,
  `BinaryExpression[operator=/^[!=]==$/][left.type='ChainExpression'][right.value=${A_KIND}]`,
  `SwitchStatement[discriminant.property.name='kind'] > SwitchCase[test.value=${A_KIND}]`,
  `SwitchStatement[discriminant.name='kind'] > SwitchCase[test.value=${A_KIND}]`,
].map((selector) => ({
  selector,
  message: 'What is true of one kind lies in its folder under src/core/kinds: ask the registry.',
}));

/** Text that a person reads: two words, or one with a capital. Names of keys, and what a program is told, are none. */
const TWO_WORDS = String.raw`[A-Za-z]{2}[,:;.’”)]? [“(]?[A-Za-z]{2}`;
const TEXT = `/${TWO_WORDS}|^(?!Arrow|Enter|Escape|Backspace|Delete|Tab|Shift|Space|Home|End|Page)[A-Z][a-z]{2,}[ .,:;…?!]*$/`;
const NO_TEXT_IN =
  'ImportDeclaration, CallExpression[callee.name="ran"], CallExpression[callee.property.name=/^(?:closest|matches|querySelector|querySelectorAll)$/], NewExpression, TSLiteralType';
const NO_TEXT = [
  `:not(${NO_TEXT_IN}) > Literal[value=${TEXT}]`,
  `TemplateLiteral:not(NewExpression > TemplateLiteral) > TemplateElement[value.raw=/${TWO_WORDS}/]`,
].map((selector) => ({
  selector,
  message: 'What a person reads stands in src/lib/words/en, under a key.',
}));
const NO_TEXT_IN_MARKUP = [
  ...NO_TEXT,
  ...[
    ':not(SvelteStyleElement, SvelteElement[name.name=/^(?:code|kbd|samp)$/]) > SvelteText[value=/[A-Za-z]/]',
    'SvelteAttribute[key.name=/^(?:title|alt|placeholder|aria-label|.*[tT]ext|.*[lL]abel|.*[dD]escription)$/] > SvelteLiteral[value=/[A-Za-z]/]',
    `SvelteAttribute:not([key.name=/^(?:class|style|d|points|viewBox|transform|accept|id|fill|content)$/]) > SvelteLiteral[value=${TEXT}]`,
  ].map((selector) => ({
    selector,
    message: 'What a person reads stands in src/lib/words/en, under a key.',
  })),
];

/**
 * Where words are read or written as others have them: standards and reports, a machine that is played, spellings of columns,
 * what stands between the parts of a name, and the one notation of lists, which is the same in every language.
 */
const WORDS_OF_OTHERS = {
  files: [
    'src/core/standards/**/*.ts',
    'src/core/simulator/**/*.ts',
    'src/core/catalogue/headings.ts',
    'src/core/write/personal.ts',
  ],
  rules: { 'no-restricted-syntax': ['error', ...CORE_SYNTAX, ...NO_KIND_BY_NAME] },
};
const NOTATION = {
  files: ['src/lib/stages/survey/fields.ts'],
  rules: { 'no-restricted-syntax': ['error', ...NO_KIND_BY_NAME] },
};

/** The simulated machine tries what the procedure says: it judges with code of its own, and knows only what a step is. */
const simulator = {
  files: ['src/core/simulator/**/*.ts'],
  plugins: { '@typescript-eslint': ts.plugin },
  rules: {
    '@typescript-eslint/no-restricted-imports': [
      'error',
      {
        patterns: [
          {
            regex: '^(\\.\\./)+(procedure|rules|diagnosis)/',
            allowTypeImports: true,
            message: 'src/core/simulator judges by itself whether something can be done.',
          },
        ],
      },
    ],
  },
};

/** The rooms of the screens, in the same way. */
export const SCREEN_ROOMS = [
  'words',
  'state',
  'workers',
  'ui',
  'board',
  'catalogue',
  'stages',
  'shop',
];

const CORE_BY_NAME = {
  regex: '(^|/)core/|^\\$core$|^\\$core/\\w+/',
  message: 'Screens take the core by the public names of its rooms: $core/<room>.',
};
const DEMO_BY_SERVER = {
  regex: '^\\$demo|(^|/)demo/',
  message: 'Demo data reaches the screens through the server only.',
};

const screenRooms = SCREEN_ROOMS.map((room, floor) => ({
  files: [`src/lib/${room}/**`],
  rules: {
    'no-restricted-imports': [
      'error',
      {
        patterns: [
          CORE_BY_NAME,
          DEMO_BY_SERVER,
          ...SCREEN_ROOMS.slice(floor + 1).map((other) => ({
            regex: `^(\\$lib|(\\.\\./)+)/?${other}/`,
            message: `src/lib/${room} comes before src/lib/${other} and may not import from it.`,
          })),
        ],
      },
    ],
  },
}));

export default ts.config(
  { ignores: ['.cache/', 'build/', '.svelte-kit/', 'test-results/', 'playwright-report/'] },
  js.configs.recommended,
  ...ts.configs.strict,
  ...svelte.configs.recommended,
  {
    languageOptions: { globals: { ...globals.browser, ...globals.node } },
    rules: {
      'no-undef': 'off',
      '@typescript-eslint/no-non-null-assertion': 'off',
      // Addresses here are plain paths: the application has no base path.
      'svelte/no-navigation-without-resolve': 'off',
    },
  },
  {
    files: ['**/*.svelte', '**/*.svelte.ts'],
    languageOptions: {
      parserOptions: { parser: ts.parser, extraFileExtensions: ['.svelte'], svelteConfig },
    },
  },
  {
    files: ['src/**/*.svelte', 'src/**/*.svelte.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        ...NO_KIND_BY_NAME,
        ...NO_TEXT_IN_MARKUP,
        {
          selector:
            'SvelteElement[name.name="details"] > SvelteStartTag > SvelteAttribute[key.name="open"]',
          message: 'A fold belongs to the hand: bind its state, or attach opensFor.',
        },
        {
          selector:
            'CallExpression[callee.name="$effect"] > ArrowFunctionExpression:not([body.body.0.expression.callee.name="ran"])',
          message: 'An effect says first that it ran, so that its runs can be counted.',
        },
        {
          selector: 'SvelteAwaitBlock[expression.type="ImportExpression"]',
          message:
            'What is fetched is shown by Fetched: what goes wrong in a promise is caught nowhere.',
        },
      ],
    },
  },
  {
    files: ['src/lib/**/*.ts'],
    ignores: ['**/*.svelte.ts'],
    rules: { 'no-restricted-syntax': ['error', ...NO_KIND_BY_NAME, ...NO_TEXT] },
  },
  {
    files: ['src/lib/words/**/*.ts'],
    rules: { 'no-restricted-syntax': ['error', ...NO_KIND_BY_NAME] },
  },
  {
    // No pattern may look at a letter more often than a fixed number of times: files come from anywhere.
    files: ['src/**', 'server/**'],
    plugins: { regexp },
    rules: {
      'regexp/no-super-linear-backtracking': ['error', { report: 'potential' }],
      'regexp/no-super-linear-move': ['error', { report: 'potential' }],
    },
  },
  {
    files: ['src/core/**/*.ts'],
    rules: {
      'no-restricted-imports': ['error', { patterns: [OUTSIDE_CORE] }],
      'no-restricted-globals': [
        'error',
        'window',
        'document',
        'navigator',
        'localStorage',
        'fetch',
        'process',
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now', message: 'The time comes in as an argument.' },
        { object: 'Math', property: 'random', message: 'Chance comes in as an argument.' },
      ],
      'no-restricted-syntax': ['error', ...CORE_SYNTAX, ...NO_KIND_BY_NAME, ...NO_TEXT],
    },
  },
  {
    // What comes from outside may be of any length, and what a call takes is not.
    files: ['src/core/read/**/*.ts'],
    rules: {
      'no-restricted-syntax': ['error', ...CORE_SYNTAX, ...NO_KIND_BY_NAME, NO_SPREAD_INTO_LISTS],
    },
  },
  {
    files: ['src/core/kinds/**/*.ts'],
    rules: { 'no-restricted-syntax': ['error', ...CORE_SYNTAX, ...NO_TEXT] },
  },
  {
    // How a kind runs is known twice: what it carries and how it fails is reckoned anew.
    files: ['src/core/kinds/{running,runnings}.ts', 'src/core/kinds/*/{running,negotiated}.ts'],
    plugins: { '@typescript-eslint': ts.plugin },
    rules: {
      '@typescript-eslint/no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              regex:
                '^(?!.*standards/).*/(?:way|ways|flow|proof|proofs|component|components|copyEnds|causes|seen|wire)\\.ts$',
              message: 'A machine that runs knows nothing of what a way expects of it.',
            },
          ],
        },
      ],
    },
  },
  {
    files: ['src/lib/workers/**/*.ts'],
    rules: {
      'no-restricted-syntax': ['error', ...NO_KIND_BY_NAME, ...NO_TEXT, NO_SPREAD_INTO_LISTS],
    },
  },
  WORDS_OF_OTHERS,
  NOTATION,
  ...coreRooms,
  simulator,
  {
    files: ['src/lib/**', 'src/routes/**'],
    ignores: ['src/routes/api/**'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [CORE_BY_NAME, DEMO_BY_SERVER],
        },
      ],
    },
  },
  ...screenRooms,
  { files: ['**/*.cjs'], rules: { '@typescript-eslint/no-require-imports': 'off' } },
  {
    files: ['tests/**'],
    rules: {
      '@typescript-eslint/no-unused-expressions': 'off',
      // Fixtures that need none of the others.
      'no-empty-pattern': ['error', { allowObjectPatternsAsParameters: true }],
    },
  },
);
