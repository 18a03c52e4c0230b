/** Jobs of a size, of devices as a large machine reports them. */
import { emptyFunction } from '../src/core/parts/index.ts';
import { emptyJob, type Job } from '../src/core/document/index.ts';

export function evidenceJob(id: string, bytes: number): Job {
  const job = emptyJob(id, '2026-11-25T09:00:00.000Z');
  const fn = (n: number) => ({
    ...emptyFunction(
      `0000:${((n >> 8) & 0xff).toString(16).padStart(2, '0')}:${((n >> 3) & 31).toString(16).padStart(2, '0')}.${n & 7}`,
    ),
    name: `Bridge: invented device ${n} ${'x'.repeat(120)}`,
    driver: 'harbour',
    modules: ['harbour', 'harbour_old'],
  });
  const each = JSON.stringify(fn(1)).length + 1;
  const count = Math.min(2_048, Math.floor(bytes / each));
  const functions = Array.from({ length: count }, (_, n) => fn(n));
  return { ...job, machine: { ...job.machine, functions } };
}
