/** Words beside the drawing: names cut so that they stay apart, and rows in one column that never overlap. */

/** Height of one row of the column, in pixels. */
export const ROW_PX = 15;
const ELLIPSIS = '…';

/** What letters of the small text take, in pixels; a browser measures the same within a few hundredths. */
const NARROW = /[iljtfrI.,:;'’|!()[\]/ ]/g;
const WIDE = /[mwMWGOQDH@%…–×]/g;
const [NARROW_PX, LETTER_PX, WIDE_PX] = [4.2, 7.4, 10.6];

/** About how wide a text is at 12 pixels, semi-bold: rather too wide than too narrow. */
export function textPx(text: string): number {
  const narrow = text.match(NARROW)?.length ?? 0;
  const wide = text.match(WIDE)?.length ?? 0;
  return narrow * NARROW_PX + wide * WIDE_PX + (text.length - narrow - wide) * LETTER_PX;
}

/** As much of a text as there is room for: its beginning, and of its end what tells models apart. */
export function shortened(text: string, mostPx: number): string {
  if (textPx(text) <= mostPx) return text;
  const letters = Math.max(3, Math.floor(((mostPx - WIDE_PX) / textPx(text)) * text.length));
  const tail = Math.min(6, Math.floor(letters / 3));
  const cut = `${text.slice(0, letters - tail).trimEnd()}${ELLIPSIS}${tail === 0 ? '' : text.slice(-tail).trimStart()}`;
  return letters > 3 && textPx(cut) > mostPx ? shortened(text, mostPx - LETTER_PX) : cut;
}

interface Named {
  readonly name: string;
  /** What else tells it apart where names are the same, its port's address; null: it may be named like another. */
  readonly also: string | null;
  readonly roomPx: number;
}

/** Names within their room, each another: equal ones get what else tells them apart, and at last a number. */
export function distinctNames(things: readonly Named[]): readonly string[] {
  const cut = things.map(({ name, roomPx }) => shortened(name, roomPx));
  const count = new Map<string, number>();
  for (const name of cut) count.set(name, (count.get(name) ?? 0) + 1);
  const taken = new Set<string>();
  return things.map(({ name, also, roomPx }, n) => {
    const own = cut[n]!;
    if (also === null || count.get(own) === 1) return own;
    const ended = (end: string) => `${shortened(name, roomPx - textPx(end))}${end}`;
    let unique = also === '' ? own : ended(` ${also}`);
    for (let more = 2; taken.has(unique); more += 1)
      unique = ended(also === '' ? ` (${more})` : ` ${also} (${more})`);
    taken.add(unique);
    return unique;
  });
}

/** Whole parts of a list, as many as there is room for. */
export function partsWithin(text: string, mostPx: number): string {
  let parts = text.split(', ');
  while (parts.length > 1 && textPx(parts.join(', ')) > mostPx) parts = parts.slice(0, -1);
  const left = parts.join(', ');
  return textPx(left) <= mostPx ? left : '';
}

/**
 * Middles of rows as near to what they name as their height allows, in the same order.
 * Neighbours that would overlap share their middle between them, as often as they must.
 * @param wanted middles in rising order @returns middles at least a row apart, none before half a row after `top`
 */
export function spread(wanted: readonly number[], top: number): readonly number[] {
  interface Block {
    start: number;
    rows: number;
  }
  const blocks: Block[] = [];
  for (const middle of wanted) {
    blocks.push({ start: Math.max(top, middle - ROW_PX / 2), rows: 1 });
    for (;;) {
      const last = blocks.at(-1);
      const before = blocks.at(-2);
      if (last === undefined || before === undefined) break;
      if (before.start + before.rows * ROW_PX <= last.start) break;
      // Together they lie around the mean of what each wanted.
      const rows = before.rows + last.rows;
      const shifted = before.start * before.rows + (last.start - before.rows * ROW_PX) * last.rows;
      blocks.splice(-2, 2, { start: Math.max(top, shifted / rows), rows });
    }
  }
  return blocks.flatMap(({ start, rows }) =>
    Array.from({ length: rows }, (_, n) => start + (n + 0.5) * ROW_PX),
  );
}
