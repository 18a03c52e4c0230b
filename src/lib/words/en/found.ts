/** What becomes part of a survey, or is bought, because of what was found at the bench. */
import type { FoundNames, LongerLead } from '$core/procedure';
import { LEAD_WORDS } from './leads';
import { HEADER_WORDS } from './things';

const LONGER_WORDS: Readonly<Record<LongerLead, string>> = {
  data: 'longer data lead',
  power: 'longer power lead',
  outside: 'longer lead behind',
};

const isOwn = (lead: string): lead is LongerLead => Object.hasOwn(LONGER_WORDS, lead);

export const FOUND_NAMES: FoundNames = {
  longer: (lead, name) =>
    isOwn(lead) ? LONGER_WORDS[lead] : `longer ${name === '' ? LEAD_WORDS[lead] : name}`,
  stuckCover: (opening) => `Cover of opening ${opening}`,
  bentPin: (header) => `bent pin: ${HEADER_WORDS[header]}`,
  moving: 'As it was found at the bench',
};
