/** What goes out with a job and what stays, in words: the places of texts by the names that the screens have for them. */
import type { ExportChoice, StayedIn } from '$core/write';

export const EXPORT_TICKS: readonly (readonly [keyof ExportChoice, string])[] = [
  ['customer', 'Names of customer and technician'],
  ['serials', 'Serial numbers and addresses'],
  ['words', 'Titles, notes and names in words'],
  ['photographs', 'Photographs'],
];

export const STAYED_WORDS: Readonly<Record<StayedIn['what'], string>> = {
  words: 'words',
  photograph: 'photograph',
  name: 'name',
  number: 'number or address',
  secret: 'password or key',
};

const PLACES: readonly (readonly [RegExp, string])[] = [
  [/^title$/, 'Title'],
  [/^customer$/, 'Customer'],
  [/^technician$/, 'Technician'],
  [/^notes$/, 'Notes'],
  [/^log\./, 'Log'],
  [/^photos/, 'Photographs'],
  [/machine\.name$/, 'Name of the machine'],
  [/slots\..*occupant/, 'Fitted card'],
  [/slots\./, 'Slot'],
  [/obstacles\./, 'What stands in the way'],
  [/enclosures\./, 'External box'],
  [/path\.hops\./, 'Network device'],
  [/screens\./, 'Monitor'],
  [/damage\./, 'Condition on arrival'],
  [/inTrouble\.|functions\./, 'Device'],
  [/these\.|drive\./, 'Drive'],
  [/^needs\./, 'Need'],
  [/statements\./, 'Statement about a card'],
  [/^observations\./, 'Observation'],
  [/packages\./, 'Driver package'],
];

const placeWords = (place: string): string =>
  PLACES.find(([pattern]) => pattern.test(place))?.[1] ?? 'Elsewhere';

const SHOWN_LETTERS = 160;
const shown = (text: string): string =>
  text.length > SHOWN_LETTERS ? `${text.slice(0, SHOWN_LETTERS)} …` : text;

/** Under each place its texts, each once however often it stands there. */
export function byPlace(
  all: readonly { readonly place: string; readonly text: string }[],
): readonly (readonly [place: string, texts: readonly string[]])[] {
  const places = new Map<string, Set<string>>();
  for (const { place, text } of all) {
    const texts = places.get(placeWords(place)) ?? new Set();
    places.set(placeWords(place), texts.add(shown(text)));
  }
  return [...places].map(([place, texts]) => [place, [...texts]] as const);
}
