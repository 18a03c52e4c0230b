/**
 * Which modules come to the browser in one file. Left to itself the build cuts along what is shared by what: a stage then asks
 * for a hundred and twelve files, most of them under two kilobytes. A file takes along what its modules import, unless a file
 * before it has that: what the most pages need stands first.
 */

/** Where a module lies: under `src`, or in a package. */
const placeOf = (id: string): string => {
  const at = id.lastIndexOf('/node_modules/');
  return at >= 0
    ? `package ${id.slice(at + '/node_modules/'.length)}`
    : id.slice(id.lastIndexOf('/src/') + '/src/'.length);
};

const named = (root: string, names: readonly string[]): readonly string[] =>
  names.map((name) => `${root}${name}`);

/**
 * @param of beginnings of places
 * @param but what of these comes later, once it is asked for
 */
const file = (name: string, of: readonly string[], but: readonly string[] = []) => ({
  name,
  test: (id: string): boolean => {
    const place = placeOf(id);
    const isOne = (beginnings: readonly string[]) =>
      beginnings.some((each) => place.startsWith(each));
    return isOne(of) && !isOne(but) && !OF_PROOF.test(place);
  },
});

/** What of a kind only the proof and the simulated machine ask for. */
const OF_PROOF =
  /^core\/kinds\/(?:\w+\/)?(?:proof|proofs|causes|seen|component|components|running|runnings|negotiated)\.ts$/;

const CARBON = 'package carbon-components-svelte/src/';
const ICONS = 'package carbon-icons-svelte/lib/';

export const FILES = [
  // Every part's own few rules: a page asked for thirty-six.
  { name: 'styles', test: /\.svelte\?svelte&type=style&lang\.css$/ },
  file(
    'core',
    named('core/', [
      'standards/',
      'parts/',
      'document/',
      'kinds/',
      'placement/',
      'rules/',
      'flow/',
      'assembly/',
      'procedure/standing',
      'drivers/',
      'commands/',
      'units',
      'memo',
      'money',
      'survey/template',
      'survey/claims',
      'read/problem.ts',
      'read/storedJob',
      'read/keptList',
    ]),
    named('core/', [
      'standards/problemCodes',
      'standards/systemDrivers',
      'standards/pciClasses',
      'document/freeNumber',
      'placement/powerLoads',
      'rules/supplySize',
      'flow/copyTime',
      'flow/fairShares',
      'flow/concurrency',
      'assembly/driverTargets',
      'assembly/expectations',
      'assembly/acceptance',
      'drivers/stick',
      'drivers/package',
      'drivers/machineDevices',
      'drivers/versions',
    ]),
  ),
  file('words', named('lib/words/en/', ['figures', 'flowFigures', 'things', 'stages', 'kinds/'])),
  file('base', [
    ...named('package ', ['svelte/', '@sveltejs/', 'zod/', 'localforage/', 'comlink/']),
    ...named(CARBON, ['Button', 'Portal', 'ContentSwitcher']),
    ...named(ICONS, ['Light.', 'Asleep.', 'Keyboard.', 'Undo.', 'Redo.', 'ListChecked.']),
  ]),
  // What every page has.
  file(
    'shared',
    [
      'core/backup/shelf',
      ...named('lib/state/', ['']),
      ...named('lib/ui/', [
        'Fetched',
        'Guarded',
        'VerdictMark',
        'TopBar',
        'keys.',
        'keepFocus',
        'Working',
        'slices',
      ]),
      ...named('lib/words/en/', [
        'rear',
        'chooseAnswer',
        'commands',
        'findings',
        'subjects',
        'options',
        'answers',
        'plans',
      ]),
      'lib/board/keysAndCards',
      'lib/board/scale',
      'lib/stages/wayOn.',
    ],
    named('lib/state/', [
      'backupFolder',
      'exportChoice',
      'nameLists',
      'restore',
      'undoHistory',
      'logbook',
      'pictures',
      'olderParts',
      'procedureParts',
    ]),
  ),
  // Fields and notices, as every list and form but Choose has them.
  file('controls', [
    ...named(CARBON, [
      'TextInput',
      'TextArea',
      'Select',
      'Checkbox',
      'FileUploader',
      'Notification',
      ...named('icons/', [
        'Edit',
        'Chevron',
        'Warning',
        'Error',
        'Checkmark',
        'Information',
        'Close',
      ]),
      ...named('utils/', ['grapheme', 'overflow', 'filter']),
    ]),
    ...named(ICONS, ['Add.', 'TrashCan.', 'Download.']),
  ]),
  // What a field holds, and facts as fields.
  file('cells', [
    ...named('core/', [
      'catalogue/columns',
      'catalogue/cell',
      'read/typedMeasure',
      'read/numberMarks',
      'document/freeNumber',
      'survey/mergeSystem',
      'paths',
    ]),
    'lib/ui/CellField',
    ...named('lib/stages/survey/', ['fields', 'factFields', 'FactField']),
    ...named('lib/words/en/', ['columns', 'choices', 'deliveries']),
  ]),
  // What takes a report in, and says what was wrong with it.
  file('evidence', [
    ...named('core/', ['standards/problemCodes', 'standards/pciClasses', 'read/pci/ports']),
    ...named('lib/stages/', ['ReadResult', 'ReportDrop', 'reading', 'survey/Photos']),
    ...named('lib/words/en/', ['evidence', 'problems', 'observed', 'deviceProblems', 'facts']),
    'lib/state/pictures',
    ...named('lib/ui/', ['fold', 'download', 'ProblemLines']),
    'lib/workers/stoppable',
    'package file-selector/',
    `${CARBON}ProgressBar`,
  ]),
  // The page of a job: its board, its plan as it is sought.
  file(
    'job',
    [
      'core/plans/',
      'lib/board/',
      ...named('lib/stages/', ['jobModel', 'MachineView', 'AnswerLine', 'planning', 'JobPage']),
      'lib/workers/planner.',
    ],
    named('lib/board/', ['ObstacleHandles', 'edits', 'followHand', 'hands']),
  ),
  // The work once a plan is accepted: steps, and what was found.
  file(
    'work',
    [
      ...named('core/', [
        'procedure/',
        ...named('diagnosis/', ['driverStates', 'reportOnPlan', 'provings', 'runs', 'stageAnswer']),
      ]),
      ...named('lib/words/en/', [
        'fitSteps',
        'driverSteps',
        'causes',
        'steps',
        'leads',
        'stepWords',
      ]),
      'lib/stages/steps/',
      'package d3-array/',
    ],
    named('core/procedure/fitting/', [
      'foundFacts',
      'restPlan',
      'found.',
      'why',
      'estimates',
      'times',
    ]),
  ),
  file(
    'survey',
    ['lib/stages/survey/', 'lib/words/en/networkPath'],
    named('lib/stages/survey/', ['AsItCame', 'InnerWork', 'HopForm', 'PathForm', 'PathPicture']),
  ),
];
