/** Programs to check against. A missing one skips its tests visibly, never silently. */
import { execFileSync, spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Context } from 'mocha';

export function requireTool(context: Context, tool: string): void {
  try {
    execFileSync('which', [tool], { stdio: 'ignore' });
  } catch {
    console.warn(`      skipped: ${tool} is not installed on this machine`);
    context.skip();
  }
}

export function run(tool: string, args: readonly string[]): string {
  return execFileSync(tool, args, {
    encoding: 'utf8',
    stdio: ['ignore', 'pipe', 'ignore'],
    maxBuffer: 1 << 28,
  });
}

/** Complaints of the program included, where it has them. */
export function runWithComplaints(tool: string, args: readonly string[]): string {
  const { stdout, stderr } = spawnSync(tool, args, { encoding: 'utf8', maxBuffer: 1 << 28 });
  return stdout + stderr;
}

/** What `use` returns of a file that holds `content` while it runs. */
export function withFile<Result>(
  content: string | Uint8Array,
  use: (path: string) => Result,
): Result {
  const folder = mkdtempSync(join(tmpdir(), 'tenant-'));
  try {
    const path = join(folder, 'input');
    writeFileSync(path, content);
    return use(path);
  } finally {
    rmSync(folder, { recursive: true });
  }
}

/** The seed of a property test, printed with a failure and set again with SEED=. */
export const SEED = Number(process.env['SEED'] ?? 20261125);
