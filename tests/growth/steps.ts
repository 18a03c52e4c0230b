/**
 * Counts the steps of a piece of work, the same on every machine: every block of code that runs, by the engine's own
 * coverage counts; every letter or element that built-in functions go over; and every comparison that a pattern makes
 * while it backtracks, counted by walking the pattern as a backtracking matcher does (ECMA-262, 22.2.2).
 *
 * The engine counts blocks only in functions that it compiles after it was told to: this module is the first import of
 * a test in a process of its own.
 */
import { Session } from 'node:inspector';
import { setFlagsFromString } from 'node:v8';
import { RegExpParser, type AST } from '@eslint-community/regexpp';

/** Code whose blocks count: the application's own, and the reader of tables that it uses. */
const COUNTED = /\/src\/core\/|papaparse/;
/** Beyond this nobody waits any longer: the growth is proven. */
const MOST_STEPS = 60_000_000;

interface Coverage {
  readonly result: readonly {
    readonly url: string;
    readonly functions: readonly {
      readonly isBlockCoverage: boolean;
      readonly ranges: readonly { readonly count: number }[];
    }[];
  }[];
}

// A function that is compiled anew loses its counts, and one that is optimised counts no calls of what it has inlined.
setFlagsFromString('--no-flush-bytecode');
setFlagsFromString('--no-opt');
const session = new Session();
session.connect();
session.post('Profiler.enable');
session.post('Profiler.startPreciseCoverage', { callCount: true, detailed: true });

/** Blocks that ran since the last time this was asked. */
function blocksRun(): number {
  let blocks = 0;
  session.post('Profiler.takePreciseCoverage', (_, coverage) => {
    for (const { url, functions } of (coverage as unknown as Coverage).result) {
      if (!COUNTED.test(url)) continue;
      for (const { isBlockCoverage, ranges } of functions) {
        if (!isBlockCoverage && ranges[0]!.count > 0)
          throw new Error(`Compiled before steps were counted: ${url}`);
        for (const { count } of ranges) blocks += count;
      }
    }
  });
  return blocks;
}

export function countSteps(work: () => void): number {
  const builtIn = { steps: 0 };
  blocksRun();
  const restore = watched(builtIn);
  try {
    work();
  } catch (error) {
    if (!(error instanceof TooManySteps)) throw error;
  } finally {
    restore();
  }
  return blocksRun() + builtIn.steps;
}

class TooManySteps extends Error {}

type AnyFunction = (this: unknown, ...args: never[]) => unknown;

/** Makes built-in functions count what they go over; returns how to undo it. */
function watched(count: { steps: number }): () => void {
  const undo: (() => void)[] = [];
  // What is done in order to count is not counted.
  let counting = false;
  const add = (steps: number) => {
    count.steps += steps;
    if (count.steps > MOST_STEPS) throw new TooManySteps();
  };
  const wrap = (
    of: object,
    name: PropertyKey,
    tell: (self: { readonly length: number }, args: readonly unknown[], result: unknown) => void,
  ) => {
    const plain = (of as Record<PropertyKey, AnyFunction>)[name]!;
    const put = (value: AnyFunction) =>
      Object.defineProperty(of, name, { value, configurable: true, writable: true });
    put(function (...args) {
      const result = Reflect.apply(plain, this, args);
      if (counting) return result;
      counting = true;
      try {
        tell(this as { length: number }, args, result);
      } finally {
        counting = false;
      }
      return result;
    });
    undo.push(() => put(plain));
  };
  const overAll =
    (of: object) =>
    (name: PropertyKey): void =>
      wrap(of, name, ({ length }) => add(length));
  const overSearched = (of: object) =>
    wrap(of, 'indexOf', ({ length }, [, from = 0], found) =>
      add((Number(found) < 0 ? length : Number(found)) - Number(from) + 1),
    );
  TEXT_FUNCTIONS.forEach(overAll(String.prototype));
  LIST_FUNCTIONS.forEach(overAll(Array.prototype));
  // Spreading and walking a list goes over all of it.
  overAll(Array.prototype)(Symbol.iterator);
  overSearched(String.prototype);
  overSearched(Array.prototype);
  wrap(JSON, 'parse', (_, [text]) => add(String(text).length));
  for (const name of ['entries', 'keys', 'fromEntries'])
    wrap(Object, name, (_, __, result) => add(Object.getOwnPropertyNames(result).length));
  // All other functions of patterns go through this one.
  const exec = RegExp.prototype.exec;
  let from = 0;
  wrap(RegExp.prototype, 'exec', (pattern, [text]) =>
    patternSteps(pattern as unknown as RegExp, String(text), from, add),
  );
  const counted = RegExp.prototype.exec;
  RegExp.prototype.exec = function (text) {
    from = this.global || this.sticky ? this.lastIndex : 0;
    return counted.call(this, text);
  };
  undo.push(() => (RegExp.prototype.exec = exec));
  return () => {
    for (const each of undo) each();
  };
}

const TEXT_FUNCTIONS = [
  'split',
  'replace',
  'replaceAll',
  'toLowerCase',
  'trim',
  'trimStart',
  'trimEnd',
  'includes',
];
const LIST_FUNCTIONS = [
  'includes',
  'join',
  'concat',
  'slice',
  'splice',
  'toReversed',
  'sort',
  'toSorted',
  'flat',
];

type Go = (at: number) => boolean;

const trees = new Map<string, AST.Pattern>();
const parser = new RegExpParser();

/** Comparisons of a search for the pattern, from a place in the text to the first match or to the end. */
function patternSteps(
  pattern: RegExp,
  text: string,
  from: number,
  add: (steps: number) => void,
): void {
  const key = pattern.toString();
  let tree = trees.get(key);
  if (tree === undefined) {
    tree = parser.parsePattern(pattern.source, 0, pattern.source.length, {
      unicode: pattern.unicode,
    });
    trees.set(key, tree);
  }
  const { alternatives } = tree;
  const anchored =
    pattern.sticky ||
    (!pattern.multiline && alternatives.every(({ elements: [first] }) => isStart(first)));
  const walk = new Walk(text, pattern, add);
  for (let at = from; at <= text.length; at += 1) {
    if (walk.anyOf(alternatives, at, () => true) || anchored) return;
  }
}

const isStart = (element: AST.Element | undefined): boolean =>
  element?.type === 'Assertion' && element.kind === 'start';

const sets = new Map<string, Uint8Array>();

class Walk {
  private readonly captured = new Map<AST.CapturingGroup, readonly [number, number]>();
  constructor(
    private readonly text: string,
    private readonly pattern: RegExp,
    private readonly add: (steps: number) => void,
  ) {}

  anyOf(alternatives: readonly AST.Alternative[], at: number, go: Go): boolean {
    for (const { elements } of alternatives) if (this.row(elements, 0, at, go)) return true;
    return false;
  }

  private row(elements: readonly AST.Element[], n: number, at: number, go: Go): boolean {
    const element = elements[n];
    return element === undefined
      ? go(at)
      : this.one(element, at, (next) => this.row(elements, n + 1, next, go));
  }

  private one(element: AST.Element, at: number, go: Go): boolean {
    switch (element.type) {
      case 'Group':
        return this.anyOf(element.alternatives, at, go);
      case 'CapturingGroup':
        return this.anyOf(element.alternatives, at, (end) => {
          this.captured.set(element, [at, end]);
          return go(end);
        });
      case 'Quantifier':
        return this.repeated(element, at, go);
      case 'Assertion':
        this.add(1);
        return this.holds(element, at) && go(at);
      case 'Backreference': {
        const [start, end] = this.captured.get([element.resolved].flat()[0]!) ?? [0, 0];
        const again = this.text.slice(start, end);
        this.add(1 + again.length);
        return this.text.startsWith(again, at) && go(at + again.length);
      }
      default:
        return this.letter(element, at) && go(at + 1);
    }
  }

  private letter(element: AST.Element, at: number): boolean {
    this.add(1);
    if (at >= this.text.length) return false;
    const key = `${element.raw}/${this.pattern.flags}`;
    let set = sets.get(key);
    if (set === undefined) sets.set(key, (set = new Uint8Array(0x10000)));
    const code = this.text.charCodeAt(at);
    // 0: not asked yet, 1: no, 2: yes.
    if (set[code] === 0) {
      const flags = this.pattern.flags.replace(/[gym]/g, '');
      const alone = new RegExp(`^(?:${element.raw})$`, flags);
      set[code] = this.text[at]!.search(alone) === 0 ? 2 : 1;
    }
    return set[code] === 2;
  }

  private repeated({ element, min, max, greedy }: AST.Quantifier, at: number, go: Go): boolean {
    const isLetter = ['Character', 'CharacterSet', 'CharacterClass'].includes(element.type);
    if (!isLetter) return this.repeatedGroup(element, min, max, greedy, at, go);
    let most = 0;
    const more = () => most < max && this.letter(element, at + most);
    while (most < min) {
      if (!more()) return false;
      most += 1;
    }
    if (!greedy) {
      for (;;) {
        if (go(at + most)) return true;
        if (!more()) return false;
        most += 1;
      }
    }
    while (more()) most += 1;
    for (let n = most; n >= min; n -= 1) if (go(at + n)) return true;
    return false;
  }

  private repeatedGroup(
    element: AST.QuantifiableElement,
    min: number,
    max: number,
    greedy: boolean,
    at: number,
    go: Go,
  ): boolean {
    const again = () =>
      max > 0 &&
      this.one(element, at, (next) =>
        next === at
          ? false
          : this.repeatedGroup(element, Math.max(0, min - 1), max - 1, greedy, next, go),
      );
    if (min > 0) return again();
    return greedy ? again() || go(at) : go(at) || again();
  }

  private holds(element: AST.Assertion, at: number): boolean {
    const { text, pattern } = this;
    const isBreak = (n: number) => /[\n\r\u2028\u2029]/.test(text.charAt(n));
    const isWord = (n: number) => n >= 0 && n < text.length && /\w/.test(text.charAt(n));
    switch (element.kind) {
      case 'start':
        return at === 0 || (pattern.multiline && isBreak(at - 1));
      case 'end':
        return at === text.length || (pattern.multiline && isBreak(at));
      case 'word':
        return (isWord(at - 1) !== isWord(at)) !== element.negate;
      case 'lookahead':
        return this.anyOf(element.alternatives, at, () => true) !== element.negate;
      case 'lookbehind':
        throw new Error('Patterns that look behind are not used');
    }
  }
}
