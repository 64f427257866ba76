import fc from 'fast-check';
import { compileGuide } from '../guide';
import { strandBeetles } from '../../demo/strandBeetles';
import { selwithKey } from '../../demo/strandBeetles/keys';
import { randomKey } from '../test/keys';
import type { Key } from './schema';
import {
  addCouplet,
  addLead,
  comingCharacters,
  endingsBelow,
  insertBefore,
  leadsOf,
  lintKey,
  lotUnity,
  mergeCouplet,
  moveCouplet,
  moveLead,
  printDestination,
  printStatements,
  readKey,
  readKeyText,
  removeCouplet,
  removeLead,
  renumber,
  setDestination,
  setLink,
  setRemark,
  setWords,
  splitCouplet,
  sayTree,
  treeOf,
  treeWithin,
} from '.';

const TEXT =
  '1a Wings clear; head square ... 2\n1b Wings dark; head round ... Aus bus\n1c Wings none ... Aus nus\n2a Legs long ... Aus cus\n2b Legs short ... Aus dus';
const key = readKeyText(TEXT, 'T').key!;
const told = (one: Key) =>
  leadsOf(one).map(
    ({ couplet, lead }) => `${couplet.number}${lead.id} ${printStatements(lead.statements)} → ${printDestination(one, lead.to)}`,
  );

describe('editing', () => {
  it('adds a couplet behind a lead, which keeps its ending as the first lead’s', () => {
    const { key: next, couplet } = addCouplet(key, 'c1', 'b');
    expect(couplet).toBe('c3');
    expect(told(next)).toEqual(expect.arrayContaining(['1b Wings dark; head round → 3', '3a  → Aus bus', '3b  → ?']));
    expect(next.couplets.map(({ number }) => number)).toEqual(['1', '3', '2']);
  });

  it('inserts a couplet before another, the start too', () => {
    const { key: next } = insertBefore(key, 'c2');
    expect(told(next)).toEqual(expect.arrayContaining(['1a Wings clear; head square → 3', '3a  → 2']));
    expect(insertBefore(key, 'c1').key.start).toBe('c3');
  });

  it('takes a couplet out; what led to it leads nowhere', () => {
    expect(told(removeCouplet(key, 'c2'))[0]).toBe('1a Wings clear; head square → ?');
    const one = removeCouplet(key, 'c2');
    expect(removeCouplet(one, 'c1')).toBe(one);
  });

  it('splits three leads in two couplets, and merges them again', () => {
    const split = splitCouplet(key, 'c1', 'b');
    expect(told(split).slice(0, 4)).toEqual([
      '1a Wings clear; head square → 2',
      '1b not so → 3',
      '3a Wings dark; head round → Aus bus',
      '3b Wings none → Aus nus',
    ]);
    const merged = mergeCouplet(split, 'c1', 'b');
    expect(told(merged).slice(0, 3)).toEqual([
      '1a Wings clear; head square → 2',
      '1b not so; Wings dark; head round → Aus bus',
      '1c not so; Wings none → Aus nus',
    ]);
  });

  it('moves, adds and removes leads, and moves couplets, without changing where they go', () => {
    expect(told(moveLead(key, 'c2', 'b', -1)).slice(3)).toEqual(['2a Legs short → Aus dus', '2b Legs long → Aus cus']);
    expect(told(removeLead(key, 'c1', 'b')).slice(0, 2)).toEqual(['1a Wings clear; head square → 2', '1b Wings none → Aus nus']);
    expect(addLead(key, 'c2').couplets[1].leads).toHaveLength(3);
    expect(moveCouplet(key, 'c2', -1).couplets.map(({ id }) => id)).toEqual(['c2', 'c1']);
    expect(moveCouplet(key, 'c1', -1).couplets.map(({ id }) => id)).toEqual(['c1', 'c2']);
  });

  it('writes the words of a lead anew; ties stay with statements that stay', () => {
    const tied = setLink(key, 'c1', 2, { character: 'head', states: ['square'] });
    const next = setWords(tied, 'c1', 'a', 'Wings clear; head square, or nearly so; feet red');
    expect(next.couplets[0].leads[0].statements).toEqual([
      { n: 1, text: 'Wings clear' },
      { n: 2, text: 'head square', link: { character: 'head', states: ['square'] } },
      { n: 3, text: 'nearly so', join: 'or' },
      { n: 4, text: 'feet red' },
    ]);
    expect(setLink(tied, 'c1', 2, undefined).couplets[0].leads[0].statements[1]).toEqual({ n: 2, text: 'head square' });
  });

  it('sets where a lead goes, notes and preparations', () => {
    expect(told(setDestination(key, 'c2', 'a', { kind: 'key', title: 'Cus' }))[3]).toBe('2a Legs long → see key to Cus');
    expect(setRemark(key, 'c1', 'prepare', 'Wet it.').couplets[0].prepare).toBe('Wet it.');
    expect(setRemark(setRemark(key, 'c1', 'note', 'x'), 'c1', 'note', ' ').couplets[0].note).toBeUndefined();
  });

  it('renumbers in the order couplets are met, and keeps every way', () => {
    fc.assert(
      fc.property(fc.integer(), fc.integer({ min: 1, max: 20 }), (seed, n) => {
        const drawn = randomKey(seed, n);
        const next = renumber(drawn);
        expect(next.couplets.map(({ number }) => number)).toEqual(Array.from({ length: n }, (_, i) => String(i + 1)));
        const ways = (one: Key) =>
          leadsOf(one)
            .map(({ couplet, lead }) => `${couplet.id} ${printStatements(lead.statements)} ${JSON.stringify(lead.to)}`)
            .sort();
        expect(ways(next)).toEqual(ways(drawn));
        expect(next.couplets[0].id).toBe(next.start);
      }),
      { numRuns: 40 },
    );
  });

  it('always gives a key that can be read back', () => {
    fc.assert(
      fc.property(
        fc.integer(),
        fc.array(fc.tuple(fc.nat(5), fc.nat(11), fc.constantFrom('a', 'b', 'c')), { maxLength: 12 }),
        (seed, steps) => {
          let now = randomKey(seed, 8);
          for (const [what, which, lead] of steps) {
            const { id } = now.couplets[which % now.couplets.length];
            now = [
              () => addCouplet(now, id, lead).key,
              () => insertBefore(now, id).key,
              () => removeCouplet(now, id),
              () => splitCouplet(now, id, lead),
              () => mergeCouplet(now, id, lead),
              () => removeLead(now, id, lead),
            ][what]();
            expect(readKey(JSON.parse(JSON.stringify(now)))).toMatchObject({ ok: true });
            expect(lintKey(now).filter(({ code }) => code === 'dangling' || code === 'no-start')).toEqual([]);
          }
        },
      ),
      { numRuns: 40 },
    );
  });
});

describe('the picture of a key', () => {
  it('has a row for every ending, couplets in the middle of theirs, and a stub where ways join', () => {
    const joined = readKeyText(
      '1a Wings clear; head square ... 2\n1b Wings dark; head round ... 3\n2a Legs long ... Aus bus\n2b Legs short ... 3\n3a Eyes red ... Aus cus\n3b Eyes blue ... see key to Dus',
      'T',
    ).key!;
    const { nodes, branches, rows, depth } = treeOf(joined);
    expect({ rows, depth }).toEqual({ rows: 4, depth: 3 });
    expect(nodes.filter(({ kind }) => kind === 'couplet')).toHaveLength(3);
    expect(nodes.filter(({ kind }) => kind === 'joins')).toMatchObject([{ couplet: 'c3' }]);
    expect(nodes.find(({ id }) => id === 'c1')!.row).toBeCloseTo(1.875, 3);
    expect(branches.find(({ couplet, lead }) => couplet === 'c1' && lead === 'a')).toMatchObject({ to: 'c2', taxa: 3 });
    expect(new Set(nodes.filter(({ kind }) => kind !== 'couplet').map(({ row }) => row)).size).toBe(4);
    expect(sayTree(treeOf(joined)).map(({ text }) => text)).toEqual([
      'Couplet 1. a: to couplet 2, 3 endings. b: to 3.',
      'Couplet 2. a: Aus bus. b: to couplet 3, 2 endings.',
      'Couplet 3. a: Aus cus. b: key to Dus.',
    ]);
  });
});

describe('the picture of a large key', () => {
  it('shows as many levels as have room, and says how much lies beyond', () => {
    const large = randomKey('large', 300, false);
    const { nodes, rows } = treeWithin(large, large.start, 40);
    expect(rows).toBeLessThanOrEqual(40);
    const more = nodes.filter(({ kind }) => kind === 'more');
    const beyond = more.reduce((sum, { couplet }) => sum + endingsBelow(large).get(couplet!)!, 0);
    expect(beyond + rows - more.length).toBe(endingsBelow(large).get(large.start));
    expect(more[0].label).toMatch(/^\d+: \d+ more$/);
    expect(treeWithin(large, more[0].couplet!, 40).nodes[0].id).toBe(more[0].couplet);
  });
});

describe('what the coming couplets need', () => {
  const characters = new Map(strandBeetles.characters.map((character) => [character.id, character]));

  it('is gathered by view, the one one is in first, each character once', () => {
    const lists = comingCharacters(selwithKey, 'c1', characters, 4, 'head');
    expect(lists[0]).toMatchObject({ view: 'head' });
    expect(lists[0].asked.map(({ character }) => character)).toEqual(expect.arrayContaining(['antenna', 'palp-tip']));
    const all = lists.flatMap(({ asked }) => asked.map(({ couplet, character }) => `${couplet} ${character}`));
    expect(new Set(all).size).toBe(all.length);
    expect(lists.map(({ view }) => view)).toEqual(expect.arrayContaining(['hind-leg', 'dorsal']));
  });
});

describe('a lot', () => {
  const compiled = compileGuide(strandBeetles);
  const reading = (character: string, ...states: string[]) => ({ character, states });
  const unity = (...specimens: { character: string; states: string[] }[][]) =>
    lotUnity(
      compiled,
      specimens.map((readings, i) => ({ id: `s${i + 1}`, readings })),
      {},
    );

  it('that agrees is of one kind, though its sexes differ', () => {
    const result = unity(
      [reading('claws', 'split'), reading('fore-foot', 'widened')],
      [reading('claws', 'split'), reading('fore-foot', 'narrow')],
    );
    expect(result.mixed).toBe(false);
    expect(result.bits).toBeGreaterThan(0);
    expect(result.disagreements.map(({ character }) => character)).toEqual(['fore-foot']);
  });

  it('of two kinds is said to be mixed, and by whom', () => {
    const dig = [reading('hind-thigh', 'swollen'), reading('elytra-hair', 'dense'), reading('shin-edge', 'spined')];
    const band = [reading('hind-thigh', 'swollen'), reading('elytra-pattern', 'band'), reading('elytra-hair', 'bare')];
    const result = unity(dig, band, dig);
    expect(result.mixed).toBe(true);
    expect(result.groups.map(({ specimens, taxon }) => [specimens, taxon])).toEqual([
      [['s1', 's3'], 'setosa'],
      [['s2'], 'bicolor'],
    ]);
    expect(result.text).toMatch(/^This looks like a mixed lot: .* bits against/);
  });

  it('of which too little was read says so', () => {
    expect(unity([reading('claws', 'split')], [])).toMatchObject({ mixed: false, groups: [] });
  });
});
