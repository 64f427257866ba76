import { demoGuides, demoKeys } from '@plesion/demo';
import { compiledFor } from '../../guide/working';
import { coupletIndex, type Key } from '../../keys';
import { planOf } from '../../plates/plans';
import { judgedSteps, type PracticeAnswer, scoreOf } from '..';
import { tinyKey } from '../../test/keys';
import { tinyGuide } from '../../test/tinyGuide';
import { keyDrill } from '.';

const SPECIES = { kind: 'rank', rank: 'species' } as const;
const ASKED = { level: SPECIES };

const drills = (key: Key, n: number) => {
  const guide = demoGuides.find(({ id }) => id === key.guide)!;
  const compiled = compiledFor(guide);
  const plan = planOf(guide)!;
  return Array.from({ length: n }, (_, i) => keyDrill(compiled, plan, key, ASKED, `seed ${i}`)).flatMap((item) => item ?? []);
};

const given = (steps: PracticeAnswer['steps']): PracticeAnswer => ({ groups: [], sure: 'sure', steps });

describe.each(demoKeys.map((key) => [key.title, key] as const))('walking %s for practice', (_, key) => {
  const items = drills(key, 40);

  it('finds individuals that key out as what they are, to several endings', () => {
    expect(items).toHaveLength(40);
    const guide = demoGuides.find(({ id }) => id === key.guide)!;
    for (const { drill, truth } of items) {
      let at = coupletIndex(key).get(key.start);
      for (const [i, step] of drill!.steps.entries()) {
        expect(step.couplet).toBe(at!.id);
        const { to } = at!.leads.find(({ id }) => id === step.leads[0])!;
        at = to.kind === 'couplet' ? coupletIndex(key).get(to.couplet) : undefined;
        if (i < drill!.steps.length - 1) continue;
        // The last lead names what it is.
        expect(to.kind).toBe('taxon');
        const taxon = to.kind === 'taxon' ? to.taxon! : '';
        const own = truth.form.split('/')[0];
        expect([own, ...ancestors(guide.taxa, own)]).toContain(taxon);
      }
    }
    expect(new Set(items.map(({ drill }) => JSON.stringify(drill!.steps.at(-1)))).size).toBeGreaterThan(2);
  });

  it('tells in words what is asked and cannot be seen, and shows the rest in a view that has it', () => {
    const guide = demoGuides.find(({ id }) => id === key.guide)!;
    for (const { drill, traits } of items)
      for (const { couplet, shows, given: told, view } of drill!.steps) {
        const linked = coupletIndex(key)
          .get(couplet)!
          .leads.flatMap(({ statements }) => statements.flatMap(({ link }) => link?.character ?? []));
        for (const { character, states, value } of [...shows, ...told]) {
          expect(linked).toContain(character);
          expect(states?.[0] ?? value).toBe(traits[character]);
        }
        for (const { character } of shows) {
          const known = guide.characters.find(({ id }) => id === character)!;
          expect(known.views).toContain(view);
          expect(known.kind).not.toBe('measurement');
        }
      }
  });
});

const ancestors = (taxa: { id: string; parent?: string }[], id: string): string[] => {
  const parent = taxa.find((one) => one.id === id)?.parent;
  return parent === undefined ? [] : [parent, ...ancestors(taxa, parent)];
};

describe('a walk for practice', () => {
  const [key] = demoKeys;
  const [item] = drills(key, 1);

  it('is the same for the same seed, and another for another', () => {
    expect(drills(key, 2)[0]).toEqual(item);
    expect(drills(key, 2)[1]).not.toEqual(item);
  });

  it('is right where each couplet was, and judges each by itself', () => {
    const { steps } = item.drill!;
    const right = steps.map(({ couplet, leads }) => ({ couplet, lead: leads[0], seconds: 2 }));
    expect(scoreOf(ASKED, item, given(right))).toEqual({ p: 1, bits: 0, right: true });
    const missed = [{ ...right[0], lead: 'z' }, ...right.slice(1)];
    expect(scoreOf(ASKED, item, given(missed)).right).toBe(false);
    expect(judgedSteps(item, given(missed)).map((step) => step.right)).toEqual(steps.map((_, i) => i > 0));
    // What was not come to was not right, and took no time.
    expect(judgedSteps(item, given(right.slice(0, 1)))[1]).toEqual(
      steps.length > 1 ? { couplet: steps[1].couplet, number: steps[1].number, right: false } : undefined,
    );
    expect(scoreOf(ASKED, item, given(undefined)).right).toBe(false);
  });

  it('is not there where the key ends in nothing of the guide, goes in a circle, or nothing is drawn', () => {
    const guide = demoGuides.find(({ id }) => id === key.guide)!;
    const [compiled, plan] = [compiledFor(guide), planOf(guide)!];
    expect(keyDrill(compiled, plan, { ...tinyKey, guide: guide.id }, ASKED, 's')).toBeUndefined();
    const first = coupletIndex(key).get(key.start)!;
    const circle = {
      ...key,
      couplets: [
        ...key.couplets.filter((one) => one !== first),
        { ...first, leads: first.leads.map((lead) => ({ ...lead, to: { kind: 'couplet' as const, couplet: first.id } })) },
      ],
    };
    expect(keyDrill(compiled, plan, circle, ASKED, 's')).toBeUndefined();
    expect(keyDrill(compiledFor(tinyGuide()), plan, tinyKey, ASKED, 's')).toBeUndefined();
  });
});
