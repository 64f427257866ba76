import { spawn } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Verdict } from './ordeal/ordeal';

/** The ordeal as it is run by hand, only shorter. */
async function endure(folder: string, ...args: string[]): Promise<{ code: number; told: string; verdict: Verdict }> {
  const run = spawn(process.execPath, ['scripts/ordeal.mjs', ...args], {
    env: { ...process.env, PLESION_DATA: folder },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let told = '';
  for (const stream of [run.stdout, run.stderr]) stream.on('data', (chunk: Buffer) => (told += chunk.toString()));
  const code = await new Promise<number>((resolve) => run.on('exit', (status) => resolve(status ?? 1)));
  const last = told.trim().split('\n').at(-1)!;
  if (!last.startsWith('{')) throw new Error(told);
  return { code, told, verdict: JSON.parse(last) as Verdict };
}

it('three servers and their database, killed under twelve writers, lose nothing that was acknowledged and keep nothing twice', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'plesion-ordeal-'));
  try {
    const { code, verdict } = await endure(folder, '--kills', '4', '--between', '40', '--seed', 'short');
    expect(verdict.faults).toEqual([]);
    expect(code).toBe(0);
    expect(verdict.kills).toEqual({ server: 3, database: 1 });
    expect(verdict.acknowledged).toBeGreaterThanOrEqual(5 * 40);
    expect(verdict.unanswered).toBeGreaterThan(0);
    expect(verdict.duplicates).toBeGreaterThan(20);
    expect(verdict.late).toBeGreaterThan(20);
    expect(verdict.specimens).toBe(48);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}, 600_000);
