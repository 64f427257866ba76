import { ledgeCrabs } from '../../demo/ledgeCrabs';
import { tentCones } from '../../demo/tentCones';
import { compileGuide } from '../guide';
import { plainGuide } from '../test/keys';
import { lintKey, makeKey, type MadeKey, readKeyText, withLinks, withTaxa, writeKeyText } from '.';

function made(...asked: Parameters<typeof makeKey>): MadeKey {
  const outcome = makeKey(...asked);
  if (!outcome.ok) throw new Error(outcome.problems[0].message);
  return outcome.value;
}

describe('a key that is made', () => {
  it('is as short as the exact optimum for small guides without variation', () => {
    let told = 0;
    for (let seed = 0; seed < 30; seed++) {
      const key = made(compileGuide(plainGuide(seed, 4 + (seed % 9), 6 + (seed % 5), 2 + (seed % 3))), { purpose: 'bench' });
      if (key.optimum === undefined) continue;
      told++;
      expect(key.meanPath).toBeCloseTo(key.optimum, 9);
      expect(key.optimum).toBeGreaterThanOrEqual(key.entropyBound - 1e-9);
    }
    expect(told).toBeGreaterThan(15);
  });

  it('comes near the entropy bound where characters are many', () => {
    const key = made(compileGuide(plainGuide('many', 120, 60, 3)), { purpose: 'bench' });
    expect(key.entropyBound).toBeCloseTo(Math.log2(120), 9);
    expect(key.meanPath / key.entropyBound).toBeLessThan(1.15);
    expect(key.worstPath).toBeLessThanOrEqual(9);
    expect(key.key.couplets).toHaveLength(119);
  });

  it('names every taxon of the guide, and has no fault', () => {
    for (const guide of [ledgeCrabs, tentCones]) {
      const { key, together } = made(compileGuide(guide), { purpose: 'bench' });
      const problems = lintKey(key, guide);
      expect(problems.filter(({ weight }) => weight === 'fault')).toEqual([]);
      if (together.length === 0) expect(problems.filter(({ code }) => code === 'taxa-missing')).toEqual([]);
    }
  });

  it('uses no character that its purpose forbids', () => {
    const handled = new Set(
      ledgeCrabs.characters.filter(({ handling, distance }) => handling !== 'look' || distance === 'hand').map(({ id }) => id),
    );
    const used = made(compileGuide(ledgeCrabs), { purpose: 'hands-off' }).key.couplets.flatMap(({ leads }) =>
      leads.flatMap(({ statements }) => statements.map(({ link }) => link!.character)),
    );
    expect(used.filter((id) => handled.has(id))).toEqual([]);
    expect(used.length).toBeGreaterThan(4);
  });

  it('sets confirming statements beside the first, at most as many as asked', () => {
    const guide = plainGuide('confirm', 3, 12, 2);
    const statements = (confirm: number) =>
      made(compileGuide(guide), { purpose: 'bench', confirm }).key.couplets.flatMap(({ leads }) =>
        leads.map((lead) => lead.statements.length),
      );
    expect(new Set(statements(0))).toEqual(new Set([1]));
    expect(Math.max(...statements(2))).toBe(3);
  });

  it('keeps to the forms asked for', () => {
    const { key } = made(compileGuide(ledgeCrabs), { purpose: 'bench', forms: ['murica', 'cinerata'] });
    const names = key.couplets.flatMap(({ leads }) => leads.flatMap(({ to }) => (to.kind === 'taxon' ? [to.taxon] : [])));
    expect(new Set(names)).toEqual(new Set(['murica', 'cinerata']));
  });

  it('reads back from its own text with routes, endings and ties', () => {
    const { key } = made(compileGuide(tentCones), { purpose: 'bench' });
    const back = readKeyText(writeKeyText(key, 'bracketed'), key.title);
    expect(back.problems).toEqual([]);
    const tied = withLinks(withTaxa(back.key!, tentCones), tentCones);
    const plain = (one: typeof key) =>
      one.couplets.map(({ leads }) =>
        leads.map(({ statements, to }) => ({ to, links: statements.map(({ link }) => link?.character) })),
      );
    expect(plain(tied)).toEqual(plain(key));
  });

  it.each([
    [{ purpose: 'bench', forms: ['nobody'] }, 'unknown-form', 'forms'],
    [{ purpose: 'bench', forms: ['murica'] }, 'too-few', 'forms'],
    [{ purpose: 'bench', prefer: ['wings'] }, 'unknown-character', 'prefer'],
  ] as const)('refuses %j', (asked, code, field) => {
    expect(makeKey(compileGuide(ledgeCrabs), asked)).toMatchObject({ ok: false, problems: [{ code, field }] });
  });
});

describe('the optimum', () => {
  it('is over every division of states, several against several', () => {
    for (let seed = 0; seed < 12; seed++) {
      const guide = plainGuide(`many states ${seed}`, 9, 3, 7);
      const ids = guide.taxa.filter(({ forms }) => forms).map(({ id }) => id);
      const stateOf = (character: string, taxon: string) =>
        guide.scores.flatMap(({ character: c, scope, value }) =>
          c === character && scope.taxon === taxon && value.kind === 'states' ? [Object.keys(value.states)[0]] : [],
        )[0];
      // Every way to divide the forms by some states of one character against its others.
      const masks = new Set<number>();
      for (const { id, states } of guide.characters) {
        const rows = states!.map((state) =>
          ids.reduce((mask, taxon, i) => (stateOf(id, taxon) === state.id ? mask | (1 << i) : mask), 0),
        );
        for (let set = 1; set < 1 << rows.length; set++)
          masks.add(rows.reduce((mask, row, r) => (set & (1 << r) ? mask | row : mask), 0));
      }
      const cost = new Map<number, number>();
      const size = (set: number) => [...set.toString(2)].filter((bit) => bit === '1').length;
      const best = (set: number): number => {
        if (size(set) < 2) return 0;
        const known = cost.get(set);
        if (known !== undefined) return known;
        let least = Number.POSITIVE_INFINITY;
        for (const mask of masks) {
          const [a, b] = [set & mask, set & ~mask];
          if (a && b) least = Math.min(least, size(set) + best(a) + best(b));
        }
        cost.set(set, least);
        return least;
      };
      const naive = best((1 << ids.length) - 1) / ids.length;
      if (!Number.isFinite(naive)) continue;
      const { optimum, meanPath } = made(compileGuide(guide), { purpose: 'bench' });
      expect(optimum).toBeCloseTo(naive, 9);
      expect(meanPath).toBeGreaterThanOrEqual(optimum! - 1e-9);
    }
  });
});
