/**
 * What in a text tells of a person or of one single device: every form of a name that is known, and the shapes of numbers,
 * addresses and secrets. It finds rather too much than too little. Common practice, no source.
 */

export type PersonalKind = 'name' | 'number' | 'secret';

/** What was found, and what stands in its place. */
const LEFT_OUT = '…';

/** Words of names that are words of everything else as well. */
const PARTICLES = new Set(
  'a and the of at in on de del della der den di do du e el et la le les og of och van von und y co ltd inc gmbh'.split(
    ' ',
  ),
);

/** What stands in many names and addresses and tells of none: a house number, too, is a number like any other. */
const isCommon = (word: string): boolean => PARTICLES.has(word) || /^\d{1,3}$/.test(word);

/** Small letters without accents, whether those are letters of their own or signs behind a letter. */
const folded = (text: string): string =>
  text.normalize('NFD').replaceAll(/\p{M}/gu, '').toLowerCase();

const WORD = /[\p{L}\p{N}\p{M}]+/gu;
/** A word that goes on behind a name, as languages make “of it” and “from there”. */
const LONGEST_ENDING = 2;
const SHORTEST_WITH_ENDING = 4;

interface Names {
  readonly words: ReadonlySet<string>;
  /** First letters of names of several words. */
  readonly initials: readonly string[];
}

export function namesOf(names: readonly string[]): Names {
  const split = names.map((name) => folded(name).match(WORD) ?? []);
  // What stands behind a comma is where they are: it makes no initials.
  const people = names.map((name) => folded(name.split(',')[0] ?? '').match(WORD) ?? []);
  return {
    words: new Set(split.flat().filter((word) => word.length > 1 && !isCommon(word))),
    initials: people
      .map((words) => words.filter((word) => !PARTICLES.has(word)).map(([letter = '']) => letter))
      .filter(({ length }) => length > 1)
      .map((letters) => letters.join('')),
  };
}

interface Found {
  readonly kind: PersonalKind;
  readonly from: number;
  readonly to: number;
}

interface Word {
  readonly text: string;
  readonly from: number;
  readonly to: number;
}

const wordsIn = (text: string): readonly Word[] =>
  [...text.matchAll(WORD)].map((match) => ({
    text: match[0],
    from: match.index,
    to: match.index + match[0].length,
  }));

function isOfName(word: string, names: ReadonlySet<string>): boolean {
  if (names.has(word)) return true;
  for (let less = 1; less <= LONGEST_ENDING; less += 1)
    if (word.length - less >= SHORTEST_WITH_ENDING && names.has(word.slice(0, -less))) return true;
  return false;
}

/** Every word of a name, and its initials as one word of capitals or as single letters one after the other. */
function namesIn(text: string, { words, initials }: Names): readonly Found[] {
  const all = wordsIn(text);
  const found: Found[] = [];
  for (const [n, word] of all.entries()) {
    const plain = folded(word.text);
    const isInitials = word.text === word.text.toUpperCase() && initials.includes(plain);
    if (isOfName(plain, words) || isInitials) found.push({ kind: 'name', ...word });
    for (const letters of initials) {
      const some = all.slice(n, n + letters.length);
      const isSpelt =
        some.length === letters.length &&
        some.every((each, k) => each.text.length === 1 && folded(each.text) === letters[k]);
      const last = some.at(-1);
      if (isSpelt && last !== undefined)
        found.push({
          kind: 'name',
          from: word.from,
          to: last.to + (text[last.to] === '.' ? 1 : 0),
        });
    }
  }
  return found;
}

/** Patterns that look at each letter a fixed number of times. What is hidden stands in the last group, or is all of it. */
const SHAPES: readonly (readonly [PersonalKind, RegExp])[] = [
  // “WLAN key: …”, “password …”, in the languages of the neighbours.
  [
    'secret',
    /(?:\b|_)(?:pass(?:word|phrase|wort|code)?|kennwort|mot de passe|contraseña|wachtwoord|lösenord|psk|pin|puk|key|schlüssel|clave|code)[ \t]{0,2}(?:ist?\b|:|=|-|–)[ \t]{0,2}(\S{1,80})/giu,
  ],
  ['secret', /\bssid[ \t]{0,2}[:=][ \t]{0,2}(\S{1,40})/giu],
  ['secret', /\b[A-Z0-9]{5}(?:-[A-Z0-9]{5}){4}\b/gu],
  // Serial numbers by what stands before them.
  [
    'number',
    /\b(?:s\/n|sn|ser(?:ial)?\.?(?:[ -]?(?:number|no|nr|num)\.?)?|serien-?(?:nummer|nr\.?)|serie?-?nummer|serienr\.?|n° de série|numéro de série|número de serie|numero di serie|inventar-?nr\.?|asset(?: tag| no\.?)?)[ \t]{0,2}[:=#]?[ \t]{0,2}((?=[A-Z0-9-]{0,40}\d)[A-Z0-9][A-Z0-9-]{2,60})/giu,
  ],
  ['number', /\b[0-9a-f]{2}(?:[:-][0-9a-f]{2}){5}\b/giu],
  ['number', /\b[0-9a-f]{4}(?:\.[0-9a-f]{4}){2}\b/giu],
  ['number', /\b(?:\d{1,3}\.){3}\d{1,3}\b/gu],
  ['number', /\b(?:[0-9a-f]{1,4}:){3,7}(?::?[0-9a-f]{1,4}){1,5}\b/giu],
  [
    'number',
    /\b[0-9a-f]{1,4}(?::[0-9a-f]{1,4}){0,6}::(?:[0-9a-f]{1,4}(?::[0-9a-f]{1,4}){0,6})?/giu,
  ],
  ['name', /[\p{L}\p{N}._%+-]{1,64}@[\p{L}\p{N}-]{1,63}(?:\.[\p{L}\p{N}-]{1,63}){1,4}/gu],
  // A number to call: seven digits and more, with what sets them apart.
  ['number', /(?:\+|\b00|\b0)\d(?:[ \-/.()]{0,3}\d){6,14}\b/gu],
  // Ten signs and more of capitals and digits, as labels have them.
  [
    'number',
    /\b(?=[A-Z0-9-]{0,60}\d[A-Z0-9-]{0,60}\d[A-Z0-9-]{0,60}\d)(?=[A-Z0-9-]{0,60}[A-Z])[A-Z0-9][A-Z0-9-]{9,60}\b/gu,
  ],
];

function shapesIn(text: string, kinds: ReadonlySet<PersonalKind>): readonly Found[] {
  return SHAPES.filter(([kind]) => kinds.has(kind)).flatMap(([kind, pattern]) =>
    [...text.matchAll(pattern)].map((match): Found => {
      const hidden = match[1] ?? match[0];
      const from = match.index + match[0].lastIndexOf(hidden);
      return { kind, from, to: from + hidden.length };
    }),
  );
}

export interface Cleaned {
  readonly text: string;
  readonly found: readonly { readonly kind: PersonalKind; readonly text: string }[];
}

/**
 * The text without what was found in it.
 * @param names to be found, or null @param kinds of shapes to be found
 */
export function cleaned(
  text: string,
  names: Names | null,
  kinds: ReadonlySet<PersonalKind>,
): Cleaned {
  const found = [...(names === null ? [] : namesIn(text, names)), ...shapesIn(text, kinds)]
    .toSorted((a, b) => a.from - b.from || b.to - a.to)
    .reduce<Found[]>((apart, each) => {
      const last = apart.at(-1);
      if (last === undefined || each.from > last.to) return [...apart, each];
      return [...apart.slice(0, -1), { ...last, to: Math.max(last.to, each.to) }];
    }, []);
  let left = '';
  let at = 0;
  for (const { from, to } of found) {
    left += `${text.slice(at, from)}${LEFT_OUT}`;
    at = to;
  }
  return {
    text: left + text.slice(at),
    found: found.map(({ kind, from, to }) => ({ kind, text: text.slice(from, to) })),
  };
}
