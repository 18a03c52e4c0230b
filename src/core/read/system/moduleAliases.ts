/** Which kernel module offers to drive which devices: the patterns of a `modules.alias`. */
import { clipped } from '../../parts/limits.ts';
import type { ProblemList } from '../problem.ts';
import type { TextReader } from '../reader.ts';

export const modulesAlias = {
  kind: 'modulesAlias',
  head: [/^alias pci:/m],
  read(text, problems) {
    const aliases = readModulesAlias(text, problems);
    return { found: aliases.count, says: { aliases: [aliases] } };
  },
} satisfies TextReader;

/** Patterns of one `modules.alias`, so laid out that a device is held against few of them, however many there are. */
export interface AliasList {
  readonly count: number;
  /** By what they say literally: vendor and device, or else vendor, or else class; or nothing of these. */
  readonly byKey: ReadonlyMap<string, readonly Alias[]>;
}
interface Alias {
  readonly pattern: string;
  readonly module: string;
  /** Its place in the list: what offers first is named first. */
  readonly order: number;
}

const ALIAS = /^alias (pci:\S+) (\S+)$/;
const VENDOR_DEVICE = /^pci:v[0-9A-F]{8}d[0-9A-F]{8}/;
const VENDOR = /^pci:v[0-9A-F]{8}/;
const CLASS = /bc[0-9A-F]{2}sc[0-9A-F]{2}/;
const KEYS = [VENDOR_DEVICE, VENDOR, CLASS] as const;
const NO_KEY = '';
/** Real patterns have some sixty letters, and a few dozen share a key. */
const LONGEST_PATTERN = 128;
const MOST_SHARING = 64;

const keyIn = (pattern: RegExp, text: string): string => pattern.exec(text)?.[0] ?? NO_KEY;

/** Under which keys of a list patterns for a device of this name may stand. */
export const aliasKeys = (name: string): readonly string[] => [
  ...KEYS.map((each) => keyIn(each, name)),
  NO_KEY,
];

export const readModulesAlias = (input: string, problems: ProblemList): AliasList =>
  listOf(input.split('\n'), problems);

/** What modules that are built into a kernel say of themselves: `module.alias=pattern`, each closed by a zero byte. */
export const readBuiltinModinfo = (input: string, problems: ProblemList): AliasList =>
  listOf(
    input.split('\0').map((each) => each.replace(BUILT_IN, 'alias $2 $1')),
    problems,
  );

const BUILT_IN = /^([\w-]{1,64})\.alias=(pci:\S+)$/;

function listOf(entries: readonly string[], problems: ProblemList): AliasList {
  const byKey = new Map<string, Alias[]>();
  let count = 0;
  let tooMany = 0;
  for (const line of entries) {
    const [, pattern = '', module = ''] = ALIAS.exec(line.trimEnd()) ?? [];
    if (pattern === '' || !closesBrackets(pattern)) continue;
    const key = KEYS.map((each) => keyIn(each, pattern)).find((each) => each !== NO_KEY) ?? NO_KEY;
    const sharing = byKey.get(key) ?? [];
    if (pattern.length > LONGEST_PATTERN || sharing.length === MOST_SHARING) {
      tooMany += 1;
      continue;
    }
    // The kernel's own name for a module has underscores.
    sharing.push({ pattern, module: clipped(module.replaceAll('-', '_')), order: count });
    byKey.set(key, sharing);
    count += 1;
  }
  if (tooMany > 0)
    problems.add({
      code: 'system.aliasesTooMany',
      line: 1,
      expected: `${MOST_SHARING}`,
      found: `${tooMany}`,
    });
  if (count === 0)
    problems.add({ code: 'system.aliasesMissing', line: 1, expected: 'alias pci:v… module' });
  return { count, byKey };
}

/** The kernel's own tool takes no pattern in which a bracket stands alone; the first that closes counts. */
function closesBrackets(pattern: string): boolean {
  for (let at = 0; at < pattern.length; at += 1) {
    if (pattern[at] === ']') return false;
    if (pattern[at] !== '[') continue;
    at = pattern.indexOf(']', at);
    if (at === -1) return false;
  }
  return true;
}
