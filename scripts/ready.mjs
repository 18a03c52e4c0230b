/** What a fresh clone needs before anything runs: packages, the built application, programs from Debian. */
import { execFileSync, spawnSync } from 'node:child_process';
import { existsSync, readFileSync, statSync, readdirSync } from 'node:fs';
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
export function readyBuild() {
  const built = join(ROOT, 'build/index.js');
  const sources = ['src', 'demo', 'static', 'package.json', 'vite.config.ts', 'svelte.config.js'];
  const newest = Math.max(...sources.map((source) => newestIn(join(ROOT, source))));
  if (!existsSync(built) || statSync(built).mtimeMs < newest)
    run('npx', ['vite', 'build', '--logLevel', 'warn']);
}

function newestIn(path) {
  const stat = statSync(path);
  if (!stat.isDirectory()) return stat.mtimeMs;
  return Math.max(stat.mtimeMs, ...readdirSync(path).map((name) => newestIn(join(path, name))));
}

/** Programs the tests use, and the Debian package each comes from. */
const PROGRAMS = {
  chromium: 'chromium',
  lspci: 'pciutils',
  'edid-decode': 'edid-decode',
  pdftoppm: 'poppler-utils',
};

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

export function has(program) {
  try {
    execFileSync('which', [program], { stdio: 'ignore' });
    return true;
  } catch {
    return false;
  }
}

export const version = JSON.parse(readFileSync(join(ROOT, 'package.json'), 'utf8')).version;
