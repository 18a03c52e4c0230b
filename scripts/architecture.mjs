/**
 * Draws docs/architecture.svg from the imports of the code: each room of the core and of the screens a row, in the order in which
 * they may know each other, and a mark in the column of every room that it imports. Nothing stands right of the diagonal.
 * With `--check` it only says whether the picture is of the code as it is.
 */
import { readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { dirname, join, relative, resolve } from 'node:path';
import { KINDS_ABOVE_FLOOR, ROOMS, SCREEN_ROOMS, UPPER_KINDS } from '../eslint.config.js';

const ROOT = new URL('..', import.meta.url).pathname;
const SRC = join(ROOT, 'src');
const ABOVE = 'core/kinds (above)';
const CORE = ROOMS.toSpliced(KINDS_ABOVE_FLOOR, 0, '').flatMap((room, n, all) =>
  room === ''
    ? [ABOVE]
    : all[n - 1]?.split('/')[0] === room.split('/')[0]
      ? []
      : [`core/${room.split('/')[0]}`],
);
const LIB = SCREEN_ROOMS.map((room) => `lib/${room}`);
const ALL = [...CORE, ...LIB, 'routes'];

/** The room of a path under `src`; undefined for what stands beside rooms. */
const roomOf = (path) =>
  new RegExp(UPPER_KINDS.regex).test(path)
    ? ABOVE
    : ALL.find((room) => path.startsWith(`${room}/`));

/** Where an import leads, as a path under `src`; null where that is a package. */
function target(from, specifier) {
  if (specifier.startsWith('$core/')) return specifier.replace('$core', 'core') + '/';
  if (specifier.startsWith('$words/')) return specifier.replace('$words', 'lib/words/en');
  if (specifier.startsWith('$lib/')) return specifier.replace('$lib', 'lib') + '/';
  return specifier.startsWith('.') ? relative(SRC, resolve(dirname(from), specifier)) : null;
}

function importsOfRooms() {
  const known = new Map(ALL.map((room) => [room, new Set()]));
  for (const file of readdirSync(SRC, { recursive: true, encoding: 'utf8' })) {
    const room = roomOf(file);
    if (room === undefined || !/(?<!index)\.(ts|svelte)$/.test(file)) continue;
    const text = readFileSync(join(SRC, file), 'utf8');
    for (const [, specifier] of text.matchAll(/(?:from|import\()\s*'([^']+)'/g)) {
      const path = target(join(SRC, file), specifier);
      const other = path === null ? undefined : roomOf(path);
      if (other !== undefined && other !== room) known.get(room).add(other);
    }
  }
  return known;
}

const STEP = 22;
const LEFT = 150;
const TOP = 128;

function architecture() {
  const known = importsOfRooms();
  const at = new Map(ALL.map((room, n) => [room, n]));
  const [width, height] = [LEFT + ALL.length * STEP + 20, TOP + ALL.length * STEP + 20];
  const middle = (n) => n * STEP + STEP / 2;
  const rows = ALL.map((room, n) => {
    const y = TOP + middle(n);
    const marks = [...known.get(room)]
      .map((other) => at.get(other))
      .toSorted((a, b) => a - b)
      .map((k) => `<circle cx="${LEFT + middle(k)}" cy="${y}" r="4.5"/>`);
    return [
      `<path class="line" d="M${LEFT} ${y}H${LEFT + middle(n)}M${LEFT + middle(n)} ${TOP}V${y}"/>`,
      `<text x="${LEFT - 10}" y="${y + 4}" text-anchor="end">${room}</text>`,
      `<text transform="translate(${LEFT + middle(n) + 4} ${TOP - 8}) rotate(-60)">${room}</text>`,
      `<rect x="${LEFT + middle(n) - 6}" y="${y - 6}" width="12" height="12"/>`,
      ...marks,
    ].join('');
  });
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width + 40} ${height}" width="${width + 40}" height="${height}">`,
    '<style>text{font:12px sans-serif;fill:#222}.line{stroke:#ddd;fill:none}circle{fill:#0b5c55}rect{fill:#222}</style>',
    `<rect width="100%" height="100%" style="fill:#fff"/>`,
    ...rows,
    '</svg>',
    '',
  ].join('\n');
}

const PICTURE = join(ROOT, 'docs/architecture.svg');

if (process.argv.includes('--check')) {
  if (readFileSync(PICTURE, 'utf8') !== architecture()) {
    console.error('docs/architecture.svg is of another code: node scripts/architecture.mjs');
    process.exit(1);
  }
} else writeFileSync(PICTURE, architecture());
