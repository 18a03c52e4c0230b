/** Which kernel modules offer to drive a device, as the kernel itself would ask. */
import { inHex } from '../units.ts';
import { MOST } from '../parts/limits.ts';
import { hex4, type PciFunction } from '../parts/pciFunction.ts';
import { aliasKeys, type AliasList } from '../read/system/moduleAliases.ts';

/** A device's name for driver matching. Source: the kernel's own pci modalias format (from memory; checked with kmod). */
export function modalias(fn: PciFunction): string {
  const code = (value: number) => `0000${hex4(value).toUpperCase()}`;
  const byte = (value: number) => inHex(value, 2).toUpperCase();
  const { vendor, device } = fn.subsystem ?? { vendor: 0, device: 0 };
  return (
    `pci:v${code(fn.vendor)}d${code(fn.device)}sv${code(vendor)}sd${code(device)}` +
    `bc${byte(fn.classCode >> 8)}sc${byte(fn.classCode & 0xff)}i${byte(fn.programmingInterface)}`
  );
}

export const modulesFor = (fn: PciFunction, list: AliasList): readonly string[] =>
  modulesNamed(modalias(fn), list);

/** Modules that offer to drive a device of this name, each once, in the order of the list. */
export function modulesNamed(name: string, { byKey }: AliasList): readonly string[] {
  const found = aliasKeys(name)
    .flatMap((key) => byKey.get(key) ?? [])
    .filter(({ pattern }) => shellMatch(pattern, name))
    .toSorted((a, b) => a.order - b.order);
  return [...new Set(found.map(({ module }) => module))].slice(0, MOST.modules);
}

/** Whether a shell pattern (`*`, `?`, `[…]`) matches a whole text; case counts. Source: POSIX fnmatch. */
export function shellMatch(pattern: string, text: string): boolean {
  let at = 0;
  let from = 0;
  // Where to go on when what follows the last star does not fit here.
  let starAt = -1;
  let starFrom = 0;
  while (from < text.length) {
    const step = pattern[at] === '*' ? null : oneMatches(pattern, at, text[from] ?? '');
    if (pattern[at] === '*') {
      starAt = at;
      starFrom = from;
      at += 1;
    } else if (step !== null) {
      at = step;
      from += 1;
    } else if (starAt !== -1) {
      at = starAt + 1;
      starFrom += 1;
      from = starFrom;
    } else return false;
  }
  while (pattern[at] === '*') at += 1;
  return at >= pattern.length;
}

/** Where the pattern goes on after matching one letter, or null where it does not match. */
function oneMatches(pattern: string, at: number, letter: string): number | null {
  const sign = pattern[at];
  if (sign === undefined) return null;
  if (sign === '?') return at + 1;
  const end = sign === '[' ? pattern.indexOf(']', at + 2) : -1;
  if (end === -1) return sign === letter ? at + 1 : null;
  const inside = pattern.slice(at + 1, end);
  const negated = inside.startsWith('!');
  let hit = false;
  for (let n = negated ? 1 : 0; n < inside.length; n += 1) {
    const low = inside[n] ?? '';
    if (inside[n + 1] === '-' && n + 2 < inside.length) {
      hit ||= letter >= low && letter <= (inside[n + 2] ?? '');
      n += 2;
    } else hit ||= letter === low;
  }
  return hit !== negated ? end + 1 : null;
}
