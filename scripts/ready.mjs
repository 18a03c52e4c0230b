/** What a fresh clone needs before anything runs: packages, the built application, programs from Debian. */
import { execFileSync, spawnSync } from 'node:child_process';
import {
  copyFileSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  rmSync,
  statSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const ROOT = new URL('..', import.meta.url).pathname;

export function run(command, args, options = {}) {
  const { status } = spawnSync(command, args, { cwd: ROOT, stdio: 'inherit', ...options });
  if (status !== 0) throw new Error(`${command} ${args.join(' ')} ended with ${status}`);
}

/** Installs the packages where they are missing or the lockfile is newer than what is installed. */
export function readyPackages() {
  const installed = join(ROOT, 'node_modules/.package-lock.json');
  const fresh =
    existsSync(installed) &&
    statSync(installed).mtimeMs >= statSync(join(ROOT, 'package-lock.json')).mtimeMs;
  if (!fresh) run('npm', ['ci', '--no-audit', '--no-fund']);
}

/** Builds where the build is missing or older than any source. */
export const readyBuild = () => readyBuildIn('build', {});

/** The same in the language that nobody speaks, for the tests. */
const PSEUDO_BUILD = '.cache/pseudo';
export const readyPseudoBuild = () =>
  readyBuildIn(PSEUDO_BUILD, { TENANT_WORDS: 'pseudo', TENANT_BUILD: PSEUDO_BUILD });

function readyBuildIn(folder, env) {
  const built = join(ROOT, folder, 'index.js');
  const sources = [
    ...['src', 'demo', 'static', 'package.json', 'vite.config.ts', 'svelte.config.js'],
    ...['scripts/files.ts', 'scripts/pseudoLocale.ts'],
  ];
  const newest = Math.max(...sources.map((source) => newestIn(join(ROOT, source))));
  if (!existsSync(built) || statSync(built).mtimeMs < newest)
    run('npx', ['vite', 'build', '--logLevel', 'warn'], { env: { ...process.env, ...env } });
}

function newestIn(path) {
  const stat = statSync(path);
  if (!stat.isDirectory()) return stat.mtimeMs;
  return Math.max(stat.mtimeMs, ...readdirSync(path).map((name) => newestIn(join(path, name))));
}

/** Programs the tests use, and the Debian package each comes from. */
const PROGRAMS = {
  chromium: 'chromium',
  // The same browser without windows: it takes half the time to show a page.
  'chromium-headless-shell': 'chromium-headless-shell',
  lspci: 'pciutils',
  'edid-decode': 'edid-decode',
  pdftoppm: 'poppler-utils',
  dmidecode: 'dmidecode',
  modprobe: 'kmod',
  'qemu-system-x86_64': 'qemu-system-x86',
  busybox: 'busybox-static',
  cpio: 'cpio',
  shellcheck: 'shellcheck',
  python3: 'python3',
  smartctl: 'smartmontools',
  iperf3: 'iperf3',
  fio: 'fio',
  rsync: 'rsync',
};

/** The kernel that the machine in QEMU boots; not installed, only unpacked here. */
export const KERNEL = join(ROOT, '.cache/kernel/vmlinuz');
/** Which of its modules drives what, as its own tool lists it. */
export const KERNEL_ALIASES = join(ROOT, '.cache/kernel/modules.alias');
const KERNEL_PACKAGE = 'linux-image-cloud-amd64';

/** Installs missing programs where this is Debian and we are root; returns what is still missing. */
export function readyPrograms() {
  const missing = () => Object.keys(PROGRAMS).filter((program) => !has(program));
  const wanted = missing();
  if (wanted.length > 0 && has('apt-get') && process.getuid?.() === 0) {
    const packages = wanted.map((program) => PROGRAMS[program]);
    const environment = {
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
      stdio: ['ignore', 'ignore', 'inherit'],
    };
    console.log(`Installing ${packages.join(', ')} from Debian`);
    run('apt-get', ['update', '-qq'], environment);
    run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', ...packages], environment);
  }
  return missing();
}

/** Fetches and unpacks Debian's small kernel where it is missing; without it the tests that boot it are skipped. */
export function readyKernel() {
  if ((existsSync(KERNEL) && existsSync(KERNEL_ALIASES)) || !has('apt-get') || !has('dpkg-deb'))
    return;
  const folder = mkdtempSync(join(tmpdir(), 'tenant-kernel-'));
  try {
    const depends = execFileSync('apt-cache', ['depends', KERNEL_PACKAGE], { encoding: 'utf8' });
    const name = /Depends: (linux-image-\S+)/.exec(depends)?.[1];
    if (name === undefined) return;
    console.log(`Fetching ${name} from Debian`);
    run('apt-get', ['download', '-qq', name], {
      cwd: folder,
      stdio: ['ignore', 'ignore', 'ignore'],
    });
    const [archive] = readdirSync(folder);
    run('dpkg-deb', ['-x', archive, '.'], { cwd: folder });
    const kernel = readdirSync(join(folder, 'boot')).find((each) => each.startsWith('vmlinuz'));
    mkdirSync(join(KERNEL, '..'), { recursive: true });
    copyFileSync(join(folder, 'boot', kernel), KERNEL);
    const release = kernel.replace('vmlinuz-', '');
    run('depmod', ['-b', folder, release]);
    copyFileSync(join(folder, 'lib/modules', release, 'modules.alias'), KERNEL_ALIASES);
  } catch (error) {
    console.warn(`The kernel for the machine in QEMU could not be fetched: ${error.message}`);
  } finally {
    rmSync(folder, { recursive: true });
  }
}

export function has(program) {
  try {
    execFileSync('which', [program], { stdio: 'ignore' });
    return true;
  } catch {
    return false;
  }
}

export const version = JSON.parse(readFileSync(join(ROOT, 'package.json'), 'utf8')).version;
