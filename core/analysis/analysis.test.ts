import { ledgeCrabs, tentCones } from '@plesion/demo';
import { strandBeetles } from '../../demo/strandBeetles';
import { selwithKey } from '../../demo/strandBeetles/keys';
import { compareForms } from '../compare';
import { standingOf } from '../evidence';
import { compiledFor, type Eye } from '../guide';
import { alone, walkKey } from '../keys';
import { analyse, reply, type Reply, type Request } from '.';
import { ask } from './ask';

const readings = [{ character: 'front-edge', states: ['three-teeth'] }];
const situation = { region: 'ostren', date: '2026-05-12' };

describe('an analysis', () => {
  it('is what the evidence says, weighed once', () => {
    const standing = analyse({ guide: ledgeCrabs, situation, readings });
    expect(standing).toEqual(standingOf(compiledFor(ledgeCrabs, situation), situation, readings));
    expect(analyse({ guide: ledgeCrabs, situation: { ...situation }, readings: [...readings] })).toBe(standing);
  });

  it.each([
    ['another situation', { situation: {} }],
    ['another reading', { readings: [] }],
    ['another judgement', { judgement: { treatment: ledgeCrabs.treatments![0].id } }],
    ['another level', { level: { kind: 'rank', rank: 'genus' } as const }],
    ['what a walk came to', { keyed: { taxon: 'murica', decided: true, fits: true, text: 'decided' } }],
  ])('is weighed anew for %s', (_, other) => {
    const standing = analyse({ guide: ledgeCrabs, situation, readings });
    expect(analyse({ guide: ledgeCrabs, situation, readings, ...other })).not.toBe(standing);
  });

  it('reads a mark as well as its reader does: as a guide that says so of all would', () => {
    const reader = (rho: Record<string, number>) => ({ judgement: { reader: { name: 'mira', rho } } });
    const by = (rho: Record<string, number>) => analyse({ guide: ledgeCrabs, situation, readings, ...reader(rho) });
    const own = by({ 'front-edge': 0.6 });
    const characters = ledgeCrabs.characters.map((one) => (one.id === 'front-edge' ? { ...one, reliability: 0.6 } : one));
    expect(own.forms).toEqual(analyse({ guide: { ...ledgeCrabs, characters }, situation, readings }).forms);
    const told = (standing: typeof own) => Math.abs(standing.ledger[0].bits);
    expect(told(own)).toBeLessThan(told(by({ 'front-edge': 0.8 })));
    expect(told(by({ 'front-edge': 0.8 }))).toBeLessThan(told(by({ 'front-edge': 0.99 })));
    // Another mark's reader changes nothing of this one; nor does a name.
    expect(by({ 'leg-fringe': 0.6 }).forms).toEqual(analyse({ guide: ledgeCrabs, situation, readings }).forms);
  });

  it('puts a value by eye right as its reader’s eye is known, and leaves what was measured', () => {
    const ratio = ledgeCrabs.characters.find(({ id }) => id === 'width-ratio')!;
    const read = (reading: { value: number; error?: number }, eye?: Eye) =>
      analyse({
        ...{ guide: ledgeCrabs, situation, readings: [{ character: ratio.id, ...reading }] },
        ...(eye ? { judgement: { reader: { name: 'mira', rho: {}, eye: { [ratio.id]: eye } } } } : {}),
      });
    const eye = { ratio: 1.1, spread: 0.05 };
    const value = 1.21 * 1.1;
    const own = read({ value }, eye);
    // As one who measured what it is, with an error as wide as the eye scatters.
    const exact = read({ value: 1.21, error: 1.21 * 0.05 });
    own.forms.forEach(({ form, p }, i) => {
      expect(form).toBe(exact.forms[i].form);
      expect(p).toBeCloseTo(exact.forms[i].p, 9);
    });
    expect(own.forms).not.toEqual(read({ value }).forms);
    expect(read({ value, error: 0.01 }, eye).forms).toEqual(read({ value, error: 0.01 }).forms);
    // Who scatters more is told less by it.
    const bits = (standing: typeof own) => Math.abs(standing.ledger[0].bits);
    expect(bits(read({ value }, { ...eye, spread: 0.4 }))).toBeLessThan(bits(own));
  });

  it('is kept for each guide by itself', () => {
    const other = {
      ...ledgeCrabs,
      taxa: ledgeCrabs.taxa.map((taxon) => ({ ...taxon, abundance: taxon.id === 'murica' ? 50 : 1 })),
    };
    const asked = { situation, readings };
    expect(analyse({ guide: other, ...asked }).taxa).not.toEqual(analyse({ guide: ledgeCrabs, ...asked }).taxa);
  });
});

/** A worker that answers at once and remembers whether it was sent the guide. */
function worker() {
  const sent: boolean[] = [];
  return {
    sent,
    send: async <N extends Request['name']>(request: Request<N>): Promise<Reply<N>> => {
      sent.push(request.guide !== undefined);
      return reply(request);
    },
  };
}

describe('a question put to a worker', () => {
  it('goes with the hash, and once with the guide', async () => {
    const { send, sent } = worker();
    const known = { guide: tentCones, hash: 'of the cones, for this test' };
    const first = await ask(send, 'standing', { situation: {}, readings: [] }, known);
    expect(first).toEqual(analyse({ guide: tentCones, situation: {}, readings: [] }));
    expect(await ask(send, 'standing', { situation: {}, readings: [] }, known)).toEqual(first);
    expect(sent).toEqual([false, true, false]);
  });

  it('fails where the guide is never taken', async () => {
    const deaf = async () => ({ known: false }) as const;
    await expect(ask(deaf, 'standing', { situation: {}, readings: [] }, { guide: tentCones, hash: 'x' })).rejects.toThrow(
      'not taken',
    );
  });

  it('compares as the core does', async () => {
    const compiled = compiledFor(tentCones);
    const forms = compiled.forms.slice(0, 3).map(({ id }) => id);
    const given = await ask(worker().send, 'comparison', { forms }, { guide: tentCones, hash: 'cones again' });
    expect(given).toEqual(compareForms(compiled, forms));
  });

  it('walks as the core does, with a guide behind the key and without', async () => {
    const answers = [{ couplet: selwithKey.start, lead: 'a' }];
    const asked = { key: selwithKey, answers, specimens: alone([]) };
    const known = { guide: strandBeetles, hash: 'beetles' };
    const compiled = compiledFor(strandBeetles, undefined, {});
    expect(await ask(worker().send, 'walk', asked, known)).toEqual(walkKey({ ...asked, compiled }));
    const keyOnly = worker();
    expect(await ask(keyOnly.send, 'walk', asked)).toEqual(walkKey(asked));
    expect(keyOnly.sent).toEqual([false]);
  });
});
