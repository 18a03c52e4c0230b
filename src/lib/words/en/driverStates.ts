/** Drivers before, planned and now, in words: what is wrong, and what to do next. */
import { isDriven, type DriverChoice } from '$core/drivers';
import type { DriverOutcome, DriverState } from '$core/diagnosis';
import type { DriverWays } from '$core/document';
import type { Verdict } from '$core/rules';
import { DEVICE_PROBLEM_WORDS, statusWords } from './deviceProblems';
import { OUTRANKS_WORDS } from './driverSteps';
import { differenceWords } from './observed';

export const OUTCOME_VERDICT: Readonly<Record<DriverOutcome, Verdict | null>> = {
  missing: 'blocked',
  problem: 'blocked',
  noDriver: 'blocked',
  generic: 'limited',
  older: 'limited',
  link: 'limited',
  gone: 'limited',
  extra: 'unknown',
  changed: 'unknown',
  stillNone: 'unknown',
  unseen: null,
  resolved: 'clear',
  right: 'clear',
  removed: 'clear',
  same: null,
};

/** What a report has of it, without what to do. */
export const seenDriverWords = (
  seen: DriverState['before'] | DriverState['now'],
  absent: string,
): string => {
  if (seen === null) return absent;
  return [seen.driver ?? 'no driver', statusWords(seen.status)]
    .filter((part) => part !== '')
    .join('; ');
};

/** What is planned for it, and before what that stands. */
export function plannedWords({ choice, wanted, isPlanned, before, leaves }: DriverState): string {
  if (wanted !== null || isPlanned) return choiceWords(choice);
  if (before === null) return 'not planned';
  if (leaves) return 'comes out';
  return toOffer(choice) ?? (before.driver === null ? 'no driver is known' : 'stays as it is');
}

/** What it is chosen before, and why; empty where there is nothing else. */
export function outrankedWords({ choice, wanted, isPlanned }: DriverState): string {
  const [next] = choice.outranks;
  return next === undefined || (wanted === null && !isPlanned)
    ? ''
    : `Not ${next.package.title} ${next.package.version}: ${OUTRANKS_WORDS[next.by]}.`;
}

const choiceWords = (choice: DriverChoice): string => {
  const { package: chosen, ownDriver } = choice;
  if (!isDriven(choice)) return 'no driver is known: ask its maker';
  return chosen === null
    ? `the system’s own (${ownDriver ?? ''})`
    : `${chosen.title} ${chosen.version}`;
};

/** A package for a device that nobody asked to be renewed. */
const toOffer = ({ package: chosen }: DriverChoice): string | null =>
  chosen === null ? null : `nothing; there is ${chosen.title} ${chosen.version}`;

/** What is to be done about it; or that all is well. */
export function outcomeWords(state: DriverState): string {
  const { outcome, now, choice, problem } = state;
  const planned = choiceWords(choice);
  const known = problem === null ? null : DEVICE_PROBLEM_WORDS[problem];
  switch (outcome) {
    case 'missing':
    case 'link':
    case 'older':
    case 'generic':
      return state.differences.length > 0
        ? state.differences.map(differenceWords).join(' ')
        : outcome === 'older'
          ? `Runs on ${now?.driver ?? ''}, which is older than planned. Install ${planned}.`
          : `Runs on ${now?.driver ?? ''}, the system’s basic driver. Install ${planned}.`;
    case 'problem':
      return known === null
        ? `The system says: ${statusWords(now?.status ?? '')}.`
        : `${known.means} ${known.next}`;
    case 'noDriver':
      return isDriven(choice)
        ? `No driver is in use. Install ${planned}.`
        : 'No driver is in use, and none is known.';
    case 'gone':
      return 'It was there before, and is not in the report. Look for it before the machine goes back.';
    case 'extra':
      return `It was not there before, and nobody planned it${choice.listedAs === null ? '' : `: “${choice.listedAs}”`}. Find out what it is.`;
    case 'changed':
      return `Another driver than before has taken it over: ${now?.driver ?? ''}. Nobody asked for that.`;
    case 'stillNone':
      return choice.package === null
        ? 'No driver runs it, as before, and none is known. Tell the customer.'
        : `No driver runs it, as before. ${planned} is for it.`;
    case 'unseen':
      return 'Not seen yet.';
    case 'resolved':
      return 'It works now.';
    case 'right':
      return 'As planned.';
    case 'removed':
      return 'Out, as planned.';
    case 'same':
      return 'As before.';
  }
}

/** A device that its system has no name for, by what a package would call it. */
export const deviceName = ({ name, choice, before }: DriverState): string =>
  choice.package?.says.kind === 'setup' && before !== null && before.driver === null
    ? `${name} – by its package “${choice.listedAs ?? ''}”`
    : name;

/** Ways of dealing with drivers, each with its choices. The first of each is the usual one. */
export const WAY_WORDS: {
  readonly [Way in keyof DriverWays]: {
    readonly label: string;
    readonly choices: Readonly<Record<DriverWays[Way], string>>;
  };
} = {
  source: {
    label: 'Where drivers come from',
    choices: {
      maker: 'The maker’s recommended release',
      system: 'The system finds them; checked after',
      box: 'What is at hand, from the card’s box',
    },
  },
  oldDriver: {
    label: 'Old display and network drivers',
    choices: {
      light: 'Light touch: the system’s own uninstall',
      clean: 'Clean slate: stripped off in safe mode',
    },
  },
  removal: {
    label: 'They go',
    choices: { before: 'before the cards are exchanged', after: 'after the cards are exchanged' },
  },
  installation: {
    label: 'Installation',
    choices: {
      driverOnly: 'Driver only',
      typical: 'Typical: with its maker’s additions',
      express: 'Express: and settings taken over',
    },
  },
};
