import { seeded } from '@plesion/core/probability';
import { compileGuide, type Guide } from '@plesion/core/guide';
import { endpointsOf, type Key, leadsOf, lintKey } from '@plesion/core/keys';
import { traitsOf } from '@plesion/core/plates';
import { keyedEnd } from '@plesion/core/test';
import { bogUmbels, dallowKey, lanternMoths, stepAwayKey, terns, throughGlassKey } from '.';

/** Each key with its guide, and the forms that it is for. */
const KEYS: [string, Key, Guide, RegExp][] = [
  [dallowKey.title, dallowKey, terns, /adult/],
  [stepAwayKey.title, stepAwayKey, bogUmbels, /flowering/],
  [throughGlassKey.title, throughGlassKey, lanternMoths, /male/],
];

describe.each(KEYS)('%s', (_, key, guide, its) => {
  const compiled = compileGuide(guide);

  it('has no fault, and nothing in it that the guide does not know', () => {
    expect(lintKey(key, guide).filter(({ weight }) => weight === 'fault')).toEqual([]);
    expect(leadsOf(key).length).toBeGreaterThanOrEqual(2 * key.couplets.length);
    for (const to of endpointsOf(key)) expect(to).toMatchObject({ kind: 'taxon', taxon: expect.any(String) });
  });

  it('keeps its caution, and prepares whoever walks it', () => {
    expect(key.caution).toBe(guide.caution);
    expect(key.couplets.some(({ prepare }) => prepare)).toBe(true);
  });

  it('leads most individuals drawn from the scores to a name they have, when they are read without error', () => {
    const random = seeded('keyed');
    let right = 0;
    let all = 0;
    for (const to of endpointsOf(key)) {
      if (to.kind !== 'taxon') continue;
      const forms = compiled.forms.flatMap((form, f) => (its.test(form.id) && isAt(guide, form.taxon, to.taxon!) ? [f] : []));
      for (let i = 0; i < 6; i++) {
        all++;
        const end = keyedEnd(key, compiled, traitsOf(compiled, forms[i % forms.length], random));
        if (end === to.taxon) right++;
      }
    }
    expect(right / all).toBeGreaterThan(0.6);
    expect(right / all).toBeLessThanOrEqual(1);
  });
});

describe('a key for dangerous plants and animals', () => {
  it.each([
    [stepAwayKey.title, stepAwayKey, bogUmbels],
    [throughGlassKey.title, throughGlassKey, lanternMoths],
  ] as const)('%s asks for nothing that must be touched', (_, key, guide) => {
    const asked = leadsOf(key).flatMap(({ lead }) => lead.statements.flatMap(({ link }) => (link ? [link.character] : [])));
    expect(asked.length).toBeGreaterThan(10);
    for (const id of asked) expect([id, guide.characters.find((one) => one.id === id)!.handling]).toEqual([id, 'look']);
  });
});

const isAt = (guide: Guide, taxon: string, at: string): boolean =>
  taxon === at || guide.taxa.find(({ id }) => id === taxon)?.parent === at;
