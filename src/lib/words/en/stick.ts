/** The page that goes with a stick of drivers, to be read on the bench: plain, in one file, without anything from elsewhere. */
import { valueOf } from '$core/parts';
import type { Machine } from '$core/document';
import type { StickPackage, StickStage } from '$core/drivers';
import { inBytes } from './figures';
import { SYSTEM_FAMILY_WORDS } from './things';

export const STICK_STAGE_WORDS: Readonly<Record<StickStage, string>> = {
  chipset: 'Chipset',
  storage: 'Storage',
  network: 'Network',
  rest: 'The rest',
};

/** The name of a package, and what it is known by. */
export const stickWords = ({ package: { provider, release, className } }: StickPackage): string =>
  [provider || 'No maker named', className, release === null ? '' : release.version]
    .filter((each) => each !== '')
    .join(', ');

const escaped = (text: string): string =>
  text
    .replaceAll('&', '&amp;')
    .replaceAll('<', '&lt;')
    .replaceAll('>', '&gt;')
    .replaceAll('"', '&quot;');

/** A stick is carried about: neither its name nor its page says whose it is. */
export const STICK_NAME = 'drivers-for-a-stick.zip';

/** @param stick in its order @param undriven what no package drives @param at ISO instant */
export function stickPage(
  { system: { family, version } }: Machine,
  stick: readonly StickPackage[],
  undriven: readonly string[],
  at: string,
): string {
  const systemName = family === null ? '' : SYSTEM_FAMILY_WORDS[family.value];
  const written = [
    `Written on ${at.slice(0, 10)}`,
    [systemName, valueOf(version) ?? ''].filter((each) => each !== '').join(' '),
    `${stick.length} ${stick.length === 1 ? 'package' : 'packages'}, ${stick.reduce((sum, each) => sum + each.package.files, 0)} files`,
  ].filter((each) => each !== '');
  const rows = stick.map((each, n) => {
    const drives = each.package.drives
      .filter(({ isUnasked }) => !isUnasked)
      .map(({ name, listedAs }) => `${name}: look for “${listedAs}” in the system’s device list`)
      .map(escaped);
    return `<tr><td>${n + 1}</td><td>${escaped(each.folder)}</td><td>${escaped(stickWords(each))}, ${inBytes(each.package.bytes)}</td><td>${drives.join('<br>')}</td></tr>`;
  });
  const missing = stick.flatMap(({ folder, package: { missing: names } }) =>
    names.map((name) => `<li>${escaped(`${folder}: ${name}`)}</li>`),
  );
  return `<!doctype html>
<html lang="en">
<meta charset="utf-8">
<title>Drivers for a stick</title>
<style>body{font:16px/1.4 sans-serif;margin:2rem}td,th{border:1px solid;padding:.3rem .6rem;text-align:left;vertical-align:top}table{border-collapse:collapse}</style>
<h1>Drivers for a stick</h1>
<p>${escaped(written.join('; '))}.</p>
<h2>Check the stick first</h2>
<p>Run <code>sh check.sh</code>, or <code>powershell -ExecutionPolicy Bypass -File check.ps1</code>. It names every file that is not as it was written.</p>
<h2>Install in this order</h2>
<table>
<tr><th>No.</th><th>Folder</th><th>Package</th><th>Drives</th></tr>
${rows.join('\n')}
</table>
<p>Let the system look for drivers in the folder, or run the setup program that lies there. Restart when it asks, before the next.</p>
${undriven.length === 0 ? '' : `<h2>Not on it: none of the packages at hand drives these</h2>\n<ul>${undriven.map((name) => `<li>${escaped(name)}</li>`).join('')}</ul>`}
${missing.length === 0 ? '' : `<h2>Files that a package names and that were not there</h2>\n<ul>${missing.join('')}</ul>`}
</html>
`;
}
