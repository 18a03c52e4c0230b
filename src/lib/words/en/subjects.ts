/** What findings are about, in words. */
import { findingRow, type Finding, type SubjectKind, type Subjects } from '$core/rules';
import { IN_USE_HERE, OWN_BENCH } from '$core/parts';
import { FLOW_WORDS } from './stages';
import {
  BACKING_WORDS,
  BOOT_WORDS,
  HEADER_WORDS,
  HEIGHT_WORDS,
  INPUT_WORDS,
  LACKED_WORDS,
  MANNER_WORDS,
  NETWORK_MODULE_WORDS,
  PLUG_ADAPTER_WORDS,
  SCREEN_ADAPTER_WORDS,
  SIGNAL_WORDS,
  SYSTEM_FAMILY_WORDS,
} from './things';
import { OPTION_WORDS } from './options';

/** By what kind of thing it is. */
const SOURCE_OF: Readonly<Record<string, string>> = {
  [OWN_BENCH]: 'our own bench',
  [IN_USE_HERE]: 'in use in this machine',
};

/** Who said it: a document, a person, or what Tenant itself saw. */
function sourceWords(source: string): string {
  return source.replace(/^\w+/, (word) => SOURCE_OF[word] ?? word);
}

const SUBJECT_WORDS: { readonly [Kind in SubjectKind]: (subject: Subjects[Kind]) => string } = {
  name: (name) => (name === '' ? 'the far end' : name),
  source: sourceWords,
  bus: (bus) => OPTION_WORDS[bus] ?? bus,
  key: asItIs,
  signal: (signal) => SIGNAL_WORDS[signal],
  keying: (keying) => OPTION_WORDS[keying] ?? keying,
  height: (height) => HEIGHT_WORDS[height],
  frontLead: (lead) => HEADER_WORDS[lead],
  header: (header) => HEADER_WORDS[header],
  plug: asItIs,
  plugs: (plugs) => plugs.join(' + '),
  plugAdapter: (adapter) => PLUG_ADAPTER_WORDS[adapter],
  driver: asItIs,
  identity: asItIs,
  boot: (boot) => BOOT_WORDS[boot],
  stage: (stage) => FLOW_WORDS[stage],
  feature: (feature) => LACKED_WORDS[feature],
  driveSocket: (socket) => (socket === 'm2' ? 'M.2' : 'SATA'),
  screenAdapter: (adapter) => SCREEN_ADAPTER_WORDS[adapter],
  screenInput: (input) => INPUT_WORDS[input],
  backing: (backing) => BACKING_WORDS[backing],
  manner: (manner) => MANNER_WORDS[manner],
  family: (family) => SYSTEM_FAMILY_WORDS[family],
  networkModule: (module) => NETWORK_MODULE_WORDS[module],
};

function asItIs(name: string): string {
  return name;
}

export function subjectWords({ code, subject }: Finding): string {
  const { subject: kind } = findingRow(code);
  if (kind === undefined || subject === undefined) return '?';
  // Which kind goes with which subject the finding's own type has settled by its code.
  return (SUBJECT_WORDS[kind] as (of: unknown) => string)(subject);
}
