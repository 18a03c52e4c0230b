/** Names of what was found at the bench, of no language. */
import type { FoundNames } from '../../src/core/procedure/fitting/foundFacts.ts';

export const FOUND_NAMES: FoundNames = {
  longer: (lead, name) => `longer ${name || lead}`,
  stuckCover: (opening) => `cover ${opening}`,
  bentPin: (header) => `pin ${header}`,
  moving: 'as found',
};
