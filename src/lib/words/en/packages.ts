/** What a driver package does, in words that a customer understands. */
import type { DrivenDevice, PackageInspection, PackagesInspection } from '$core/drivers';

/** Why an archive or file was not taken, after its name. */
export function leftOutWords({
  why,
  at,
}: {
  readonly why: WhyLeftOut;
  readonly at: string | null;
}): string {
  const place = at === null ? '' : `, at ${at}`;
  switch (why) {
    case 'damaged':
      return `is damaged${place}: what is in it does not match its own sum or size. Nothing of it was taken; download it anew.`;
    case 'locked':
      return `is locked with a password${place}. Unpack it, and drop the folder.`;
    case 'tooLarge':
      return 'would unpack to more than 4 GB. Unpack it, and drop the folder.';
    case 'setupTooLarge':
      return 'is larger than any setup file or list of modules is (32 MB). It was not read.';
    case 'noArchive':
      return 'does not read as a zip archive. Download it anew, or unpack it and drop the folder.';
  }
}

export type WhyLeftOut = 'damaged' | 'locked' | 'tooLarge' | 'setupTooLarge' | 'noArchive';

/** How closely the package names the device. */
export function matchWords(match: DrivenDevice['match']): string {
  if (match === null) return 'by the kernel’s own list';
  const { identity, isPackages } = match;
  return `${closeness(identity)}${isPackages ? '' : ', as one that it is like'}`;
}

function closeness(identity: string): string {
  if (identity.includes('&SUBSYS_')) return 'names this very board';
  if (identity.includes('&DEV_'))
    return identity.includes('&CC_') ? 'names this chip in this class' : 'names this chip';
  return identity.includes('VEN_') ? 'any device of this maker' : 'any device of this class';
}

/** What would change for the device. */
export function changeWords({
  isPlanned,
  now,
  isNowGeneric,
  against,
  isOutranked,
  isUnasked,
}: DrivenDevice): string {
  if (isUnasked) return `Takes it over from ${now ?? ''}, which it need not`;
  if (isOutranked) return 'Another of these packages goes before it';
  if (isPlanned) return 'For the new card';
  if (now === null) return 'Nothing drives it now';
  if (isNowGeneric) return `In the place of the system’s basic driver, ${now}`;
  const AGAINST = { newer: 'Newer than', same: 'The version that runs:', older: 'Older than' };
  return against === null ? `Now: ${now}` : `${AGAINST[against]} ${now}`;
}

/** Who made it, of what day, and which of its models this system takes. */
export function packageWords(
  { kind, provider, release, hasCatalogue, models, sections, allSections }: PackageInspection,
  { takesSetup }: Pick<PackagesInspection, 'takesSetup'>,
): string {
  if (kind === 'aliases') return `${models.toLocaleString('en-GB')} patterns of kernel modules.`;
  const said = [
    provider === '' ? 'No maker is named' : provider,
    release === null ? 'without a date' : `${release.version} of ${release.date}`,
    hasCatalogue ? 'names a signed catalogue' : 'names no signed catalogue',
  ].join(', ');
  return `${said}. ${sectionWords(takesSetup, sections, allSections)}`;
}

function sectionWords(
  takesSetup: PackagesInspection['takesSetup'],
  sections: PackageInspection['sections'],
  all: PackageInspection['allSections'],
): string {
  if (takesSetup === 'no') return 'This machine’s system takes no such package.';
  if (takesSetup === 'unknown')
    return 'Tell system, release and architecture in the survey: they decide what of it counts.';
  if (all.length === 0) return 'It names no devices.';
  if (sections.length === 0)
    return `None of its models are for this system; it has them for ${all.join(', ')}.`;
  const unsure = sections.some(({ sure }) => !sure);
  return `Of its models this system takes ${sections.map(({ name }) => name).join(', ')}${unsure ? '; the build of the system, which is not known, may change that' : ''}.`;
}
