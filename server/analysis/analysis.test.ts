import { join } from 'node:path';
import { standingOf } from '@plesion/core/evidence';
import { compileGuide } from '@plesion/core/guide';
import { ledgeCrabs } from '@plesion/demo';
import { type AnalysisPool, openAnalysisPool } from './pool';
import { checkSituation } from '../standing/service';

let pool: AnalysisPool;
beforeAll(() => {
  pool = openAnalysisPool(join(__dirname, 'analysis.worker.ts'), 1);
});
afterAll(() => pool.close());

const readings = [{ character: 'front-edge', states: ['three-teeth'] }];

describe('weighing in a thread', () => {
  it('gives what the core gives', async () => {
    const situation = { region: 'ostren', date: '2026-05-12' };
    const threaded = await pool.ask('station', 'standing', { situation, readings }, { hash: 'a', guide: ledgeCrabs });
    const direct = standingOf(compileGuide(ledgeCrabs, situation), situation, readings);
    expect(JSON.parse(JSON.stringify(threaded))).toEqual(JSON.parse(JSON.stringify(direct)));
  });

  it('keeps guides apart by their hash', async () => {
    const sunk = {
      ...ledgeCrabs,
      taxa: ledgeCrabs.taxa.map((taxon) => (taxon.id === 'murica' ? { ...taxon, abundance: 1000 } : taxon)),
    };
    const p = async (hash: string, guide: typeof ledgeCrabs) =>
      (await pool.ask('station', 'standing', { situation: {}, readings: [] }, { hash, guide })).taxa.find(
        (taxon) => taxon.taxon === 'murica',
      )!.p;
    expect(await p('a', ledgeCrabs)).toBeLessThan(0.5);
    expect(await p('b', sunk)).toBeGreaterThan(0.9);
    expect(await p('a', ledgeCrabs)).toBeLessThan(0.5);
  });
});

describe('a situation', () => {
  it('may name only what the guide knows', () => {
    expect(checkSituation(ledgeCrabs, { region: 'ostren', habitat: 'rock-pool', views: ['dorsal'] })).toEqual([]);
    expect(
      checkSituation(ledgeCrabs, { region: 'moon', habitat: 'sky', views: ['dorsal', 'inside'] }).map(({ code, field }) => [
        code,
        field,
      ]),
    ).toEqual([
      ['unknown-region', 'situation.region'],
      ['unknown-habitat', 'situation.habitat'],
      ['unknown-view', 'situation.views'],
    ]);
  });
});

describe('a weighing that does not end', () => {
  it('is stopped with words, and the next is answered', async () => {
    const stuck = openAnalysisPool(join(__dirname, '../test/endless.worker.ts'), 1, 3000);
    await expect(
      stuck.ask('station', 'standing', { situation: {}, readings: [] }, { hash: 'forever', guide: ledgeCrabs }),
    ).rejects.toMatchObject({
      status: 503,
      body: { code: 'too-slow' },
    });
    await expect(
      stuck.ask('station', 'standing', { situation: {}, readings: [] }, { hash: 'short', guide: ledgeCrabs }),
    ).resolves.toBe('weighed');
    await stuck.close();
  });
});
