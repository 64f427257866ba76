import { strandBeetles } from '../../demo';
import { selwithKey, tolmarKey } from '../../demo/strandBeetles/keys';
import { posteriorOf } from '../evidence';
import { type CompiledGuide, compileGuide, formsOf, type Guide } from '../guide';
import { endpointsOf, endpointId, type Key, readKeyText, type StatementLink } from '../keys';
import { leadsOf } from '../keys/graph';
import type { Reading } from '../observation';
import { seeded } from '../probability';
import { drawnSpecimen } from '../test';
import { answersOf, leaderOf, readingOf } from '../test/keyAnswers';
import { guideOf, keyOf, made, NONE, score, sound, told } from '../test/madeGuide';
import { meantKey, PRINTINGS, printed } from '../test/printedKeys';
import { guideFromKeys, type KeyGuide } from '.';

const compiled = (guide: Guide): CompiledGuide => compileGuide(sound(guide));

describe('a key as a guide', () => {
  it('makes characters of opposite statements, part by part', () => {
    const guide = made(
      '1a Hind foot with four segments; feelers ending in a club; body 5–7 mm long ... Velda alba\n1b Hind foot with five segments; feelers like a thread or a string of beads; body 8-9.5 mm long ... Velda nigrans',
    );
    expect(told(guide)).toEqual([
      'Hind foot: segments (count): 1 4 | 5',
      'Feelers (nominal): 1 ending in a club | like a thread or a string of beads',
      'Body length (measurement): 1 5–7 mm | 8–9.5 mm',
    ]);
    expect(score(guide, 'Velda alba', 'Hind foot: segments')).toEqual({ kind: 'counts', counts: { 4: 0.98 } });
    expect(score(guide, 'Velda nigrans', 'Feelers')).toMatchObject({
      states: { thread: 0.49, 'string-bead': 0.49 },
    });
    expect(score(guide, 'Velda alba', 'Body length')).toEqual({ kind: 'range', range: '5–7' });
    expect(guide.guide.taxa.map(({ name, rank, parent }) => [name, rank, parent])).toEqual([
      ['Velda', 'genus', undefined],
      ['Velda alba', 'species', 'Velda'],
      ['Velda nigrans', 'species', 'Velda'],
    ]);
    sound(guide.guide);
  });

  it('keeps signs apart: of a sex, of what is there, of a number', () => {
    const guide = made(
      '1a Flowers ♂; spots (+) on the back; ground at 5 °C; spur c. 5 mm; height of stem 3 inches ... Velda alba\n1b Flowers ♀; spots (-) on the back; ground at -5 °C; spur c. 8 mm; height of stem 5 inches ... Velda nigrans',
    );
    expect(told(guide)).toEqual([
      'Flowers (nominal): 1 ♂ | ♀',
      'Spots (nominal): 1 (+) on the back | (-) on the back',
      'Ground (nominal): 1 at 5 °C | at -5 °C',
      'Spur (measurement): 1 4.5–5.5 mm | 7.2–8.8 mm',
      'Height of stem (measurement): 1 3 in | 5 in',
    ]);
    for (const name of ['Flowers', 'Spots', 'Ground'])
      expect(score(guide, 'Velda alba', name)).not.toEqual(score(guide, 'Velda nigrans', name));
    sound(guide.guide);
  });

  it('keeps apart what only a small word tells apart', () => {
    const guide = made(
      '1a Wings longer than body; sepals fewer than petals; legs very long; spots few on the back ... 2\n1b Wings shorter than body; sepals more than petals; legs long; spots many on the back ... Velda alba\n2a Horn high on the head; shell round ... Velda velox\n2b Horn low on the head; shell more or less round ... Velda minuta',
    );
    expect(told(guide)).toEqual([
      'Wings (nominal): 1 longer than body | shorter than body',
      'Sepals (nominal): 1 fewer than petals | more than petals',
      'Legs (nominal): 1 very long | long',
      'Spots (nominal): 1 few on the back | many on the back',
      'Horn (nominal): 2 high on the head | low on the head',
      'Shell (nominal): 2 round | more or less round',
    ]);
    for (const name of ['Wings', 'Sepals', 'Legs', 'Spots'])
      expect(score(guide, 'Velda alba', name)).not.toEqual(score(guide, 'Velda velox', name));
    for (const name of ['Horn', 'Shell'])
      expect(score(guide, 'Velda minuta', name)).not.toEqual(score(guide, 'Velda velox', name));
  });

  it('takes how often something is for that, however it is denied', () => {
    const guide = made(
      '1a Leaves hardly ever hairy; stem not always woody; fruit seldom, if ever, ribbed ... Velda alba\n1b Leaves nearly always hairy; stem woody; fruit ribbed ... Velda nigrans',
    );
    expect(told(guide)).toEqual([
      'Leaves (nominal): 1 rarely hairy | usually hairy',
      'Stem (nominal): 1 often woody | woody',
      'Fruit (nominal): 1 rarely ribbed | ribbed',
    ]);
    const of = (taxon: string) =>
      ['Leaves', 'Stem', 'Fruit'].map((name) => {
        const value = score(guide, taxon, name);
        return value?.kind === 'states' ? Object.values(value.states)[0] : undefined;
      });
    expect(of('Velda alba')).toEqual(['rarely', 'often', 'rarely']);
    expect(of('Velda nigrans')).toEqual(['usually', 'always', 'always']);
  });

  it('takes the larger and the smaller of two for two', () => {
    const guide = made(
      '1a Larger claw smooth; smaller claw toothed; crown with one spot ... Velda alba\n1b Larger claw toothed; smaller claw smooth; crown with more than one spot ... 2\n2a Crown with 0 spots ... Velda velox\n2b Crown with 2 spots ... Velda minuta',
    );
    expect(told(guide).slice(0, 2)).toEqual([
      'Larger claw (nominal): 1 smooth | toothed',
      'Smaller claw (nominal): 1 toothed | smooth',
    ]);
    const states = (name: string) => score(guide, 'Velda alba', name);
    expect(states('Larger claw')).toEqual({ kind: 'states', states: { smooth: 'always' } });
    expect(states('Smaller claw')).toEqual({ kind: 'states', states: { toothed: 'always' } });
    const spots = guide.guide.characters.find(({ kind }) => kind === 'ordered');
    expect(spots?.states?.map(({ label }) => label)).toEqual(['0', '1', '2', '3 or more']);
  });

  it('claims nothing off the way to an ending', () => {
    const guide = made(
      '1a Head round ... 2\n1b Head square ... Velda alba\n2a Spur bent ... Velda velox\n2b Spur straight ... Velda minuta',
    );
    expect(score(guide, 'Velda alba', 'Spur')).toBeUndefined();
    expect(score(guide, 'Velda velox', 'Head')).toEqual({ kind: 'states', states: { round: 'always' } });
    expect(guide.guide.scores.find(({ character, scope }) => character === 'Spur' && scope.taxon === 'Velda-velox')!.note).toBe(
      '2a: Spur bent',
    );
  });

  it.each([
    ['usually red', { red: 'usually' }],
    ['often red', { red: 'often' }],
    ['rarely red', { red: 'rarely' }],
    ['not always red', { red: 'often' }],
    ['red, except in old ones', { red: 'usually' }],
    ['red or brown', { red: 0.49, brown: 0.49 }],
    ['either red or brown, but not both', { red: 0.49, brown: 0.49 }],
    ['red, brown or dark green', { red: 0.3267, brown: 0.3267, 'dark-green': 0.3267 }],
  ])('%s is a frequency', (said, states) => {
    expect(score(made(`1a Legs ${said} ... Velda alba\n1b Legs black ... Velda nigrans`), 'Velda alba', 'Legs')).toEqual({
      kind: 'states',
      states,
    });
  });

  it('parts a number of which only one end is said, and makes up no other', () => {
    const guide = made(
      '1a Body more than 8 mm long ... 2\n1b Body 8 mm long or shorter ... Velda alba\n2a Body 10–12 mm long ... Velda velox\n2b Body over 15 mm long ... Velda minuta',
    );
    const [{ states, kind }] = guide.guide.characters;
    expect([kind, states!.map(({ label }) => label)]).toEqual([
      'ordered',
      ['up to 8 mm', '8–10 mm', '10–12 mm', '12–15 mm', 'over 15 mm'],
    ]);
    expect(score(guide, 'Velda alba', 'Body length')).toMatchObject({ states: { 'up-to-8-mm': 'always' } });
    expect(score(guide, 'Velda velox', 'Body length')).toMatchObject({ states: { '10-12-mm': 'always' } });
    expect(score(guide, 'Velda minuta', 'Body length')).toMatchObject({ states: { 'over-15-mm': 'always' } });
  });

  it('counts are parted at whole numbers', () => {
    const guide = made('1a Spines at least 8 on the shin ... Velda alba\n1b Spines fewer than 8 on the shin ... Velda nigrans');
    const [{ states }] = guide.guide.characters;
    expect(states!.map(({ label }) => label)).toEqual(['7 or fewer', '8 or more']);
  });

  it('more than anybody counts is measured', () => {
    const guide = made('1a Scales 300–340 along the side ... Velda alba\n1b Scales 400–460 along the side ... Velda nigrans');
    expect(guide.guide.characters[0]).toMatchObject({ kind: 'measurement' });
    expect(score(guide, 'Velda alba', guide.guide.characters[0].label)).toEqual({ kind: 'range', range: '300–340' });
    sound(guide.guide);
  });

  it('one unit is brought to the other', () => {
    const guide = made(
      '1a Body 5–7 mm long ... 2\n1b Body 0.8–1.2 cm long ... Velda alba\n2a Legs red ... Velda velox\n2b Legs black ... Velda minuta',
    );
    expect(score(guide, 'Velda alba', 'Body length')).toEqual({ kind: 'range', range: '8–12' });
  });

  it('what only one lead says is kept, and tells nothing yet', () => {
    const guide = made('1a Head round; smelling of mint ... Velda alba\n1b Head square ... Velda nigrans');
    expect(guide.characters.map(({ label, oneSided }) => [label, oneSided])).toEqual([
      ['Head', false],
      ['Smelling of mint / otherwise', true],
    ]);
    expect(guide.notes).toEqual(['1 character is said of one side only and tells nothing yet.']);
    const own = compiled(guide.guide);
    const mint = guide.guide.characters[1];
    const { p } = posteriorOf(own, {}, [{ character: mint.id, states: [mint.states![0].id] }]);
    expect(p[0]).toBeCloseTo(p[1], 6);
  });

  it('leads that share no word are held against each other whole', () => {
    const guide = made('1a Nocturnal ... Velda alba\n1b Wings with eyes; feet white ... Velda nigrans');
    expect(told(guide)).toEqual(['Nocturnal / Wings with eyes; feet white (nominal): 1 Nocturnal | Wings with eyes; feet white']);
  });

  it('"not as above" is none of it', () => {
    const guide = made('1a Head round; legs red ... Velda alba\n1b Not as above ... Velda nigrans');
    expect(told(guide)).toEqual(['Head round; legs red / otherwise (nominal): 1 Head round; legs red | otherwise']);
    const three = made('1a Head round ... Velda alba\n1b Head square; smelling ... Velda nigrans\n1c Otherwise ... Velda velox');
    expect(three.guide.scores.map(({ scope }) => scope.taxon)).toEqual(['Velda-alba', 'Velda-nigrans', 'Velda-nigrans']);
  });

  it('an ending reached on two ways has what both say, in equal shares', () => {
    const guide = made(
      '1a Head round ... 2\n1b Head square ... 3\n2a Spur bent ... 3\n2b Spur straight ... Velda alba\n3a Legs red ... Velda velox\n3b Legs black ... Velda minuta',
    );
    expect(score(guide, 'Velda velox', 'Head')).toEqual({ kind: 'states', states: { round: 0.49, square: 0.49 } });
    expect(score(guide, 'Velda velox', 'Spur')).toBeUndefined();
  });

  it('a circle, a couplet nobody reaches and a lead without a name claim nothing, and are told', () => {
    const key = keyOf('1a Head round ... 2\n1b Head square ... Velda alba\n2a Spur bent ... Velda velox\n2b Spur straight ... 3');
    const [first, second] = key.couplets;
    const circular: Key = {
      ...key,
      couplets: [
        first,
        { ...second, leads: [second.leads[0], { ...second.leads[1], to: { kind: 'couplet', couplet: first.id } }] },
        { id: 'lone', number: '9', leads: [{ id: 'a', statements: [{ n: 1, text: 'Tail long' }], to: { kind: 'open' } }] },
      ],
    };
    const guide = guideOf('made', [circular], NONE);
    expect(guide.guide.taxa.map(({ name }) => name)).toEqual(['Velda', 'Velda alba', 'Velda velox']);
    const open = made('1a Head round ... Velda alba\n1b Head square ... Velda velox').keys[0];
    const nameless = {
      ...open,
      couplets: [
        {
          ...open.couplets[0],
          leads: [open.couplets[0].leads[0], { ...open.couplets[0].leads[1], to: { kind: 'open' as const } }],
        },
      ],
    };
    expect(guideOf('made', [nameless], NONE).notes).toEqual(['Left out, as nothing is named there yet: 1b.']);
  });

  it('sexes that a key ends at apart are forms of one taxon', () => {
    const key = keyOf('1a Crown red ... Velda alba\n1b Crown black ... Velda alba');
    const [couplet] = key.couplets;
    const sexed: Key = {
      ...key,
      couplets: [
        {
          ...couplet,
          leads: couplet.leads.map((lead, i) => ({
            ...lead,
            to: { kind: 'taxon', name: 'Velda alba', facets: { sex: i ? 'female' : 'male' } },
          })),
        },
      ],
    };
    const { guide } = guideOf('made', [sexed], NONE);
    expect(formsOf(sound(guide)).map(({ facets }) => facets)).toEqual([{ sex: 'male' }, { sex: 'female' }]);
    expect(guide.scores.map(({ scope }) => scope.facets)).toEqual([{ sex: ['male'] }, { sex: ['female'] }]);
  });
});

describe('one character in several couplets', () => {
  const text =
    '1a Legs red or brown ... 2\n1b Legs black ... Velda alba\n2a Legs red ... Velda velox\n2b Legs brown ... 3\n3a Legs with spines ... Velda minuta\n3b Legs hairy all over ... Velda pallens';

  it('is known again by its structure and what is said of it; what may be one is proposed', () => {
    const guide = made(text);
    expect(told(guide)).toEqual([
      'Legs: colour (nominal): 1 red or brown | black; 2 red | brown',
      'Legs: with spines / hairy all over (nominal): 3 with spines | hairy all over',
    ]);
    expect(score(guide, 'Velda velox', 'Legs: colour')).toEqual({ kind: 'states', states: { red: 'always' } });
    expect(guide.proposals).toEqual([{ a: '0-c1-0', b: '0-c3-0', why: 'both speak of “Legs”' }]);
  });

  it('a person parts and joins, and says what it is called', () => {
    const apart = made(text, { alone: ['0-c2-0'], labels: { '0-c1-0': 'Colour of the legs' } });
    expect(apart.characters.map(({ label }) => label)).toEqual([
      'Colour of the legs',
      'Legs: colour',
      'Legs: with spines / hairy all over',
    ]);
    const one = made(text, { join: [['0-c1-0', '0-c3-0']] });
    expect(one.characters.map(({ contrasts }) => contrasts.length)).toEqual([3]);
    expect(one.proposals).toEqual([]);
  });

  it('says so where the ways of a joined character cannot both be', () => {
    const torn = made(
      '1a Legs red ... 2\n1b Legs black ... Velda alba\n2a Legs green ... Velda velox\n2b Legs blue ... Velda minuta',
    );
    expect(torn.notes[0]).toMatch(/^On the way to 2a, 2b the key says what cannot both be/);
    expect(score(torn, 'Velda velox', 'Legs')).toEqual({ kind: 'states', states: { green: 'always' } });
  });
});

it.each([
  ['whose leads say nothing', '1a ... Velda alba\n1b ... Velda nigrans', 'nothing-said'],
  ['that names nothing', '1a Head round ... 2\n1b Head square ... 2', 'nothing-named'],
])('a key %s is refused', (_, text, code) => {
  const { key } = readKeyText(text, 'A key');
  expect(guideFromKeys('made', [key!], NONE)).toMatchObject({ ok: false, problems: [{ code, field: 'keys' }] });
});

it('whatever a key says, the guide of it is one, or it is refused with why', () => {
  const bits =
    'Head|round|(2.8–)3.2–5(–6) mm long|0|—|♀ black|with|without|not|more than|5|mm|or|1/2|twice as long as wide|usually|never|1,200 µm|0.000001 m long|ß|or more|Fig. 3|up to|99999999 spines|at least 8|600 hairs|a/b|%|5 %|12°|absent|legs red|legs black|between 5 and 6 mm|5 or 7|±|10 ± 2 mm'.split(
      '|',
    );
  const random = seeded('whatever a key says');
  const any = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)];
  const words = () => Array.from({ length: 1 + Math.floor(random() * 4) }, () => any([...bits, 'x'.repeat(300)])).join(' ');
  const ends = ['Velda alba', 'Velda alba ♂', 'V. alba', 'Velda', '?', 'sp. 1', 'Velda (Sub) nigra L.'];
  const codes = new Set<string>();
  for (let i = 0; i < 250; i++) {
    const n = 1 + Math.floor(random() * 5);
    const leads = () =>
      ['a', 'b', 'c'].slice(0, 2 + Math.floor(random() * 2)).map((id, l) => ({
        id,
        statements: [1, 2].slice(0, 1 + Math.floor(random() * 2)).map((s) => ({
          ...{ n: 2 * l + s, text: words() },
          ...(s > 1 && random() < 0.4 ? { join: any(['or', 'except'] as const) } : {}),
        })),
        to:
          random() < 0.4
            ? { kind: 'couplet' as const, couplet: `c${1 + Math.floor(random() * n)}` }
            : any([
                { kind: 'taxon' as const, name: any(ends) },
                { kind: 'open' as const },
                { kind: 'key' as const, title: 'Other' },
              ]),
      }));
    const couplets = Array.from({ length: n }, (_, c) => ({ id: `c${c + 1}`, number: String(c + 1), leads: leads() }));
    const key: Key = { format: 'plesion-key', formatVersion: 1, title: 'Whatever', start: 'c1', couplets };
    const outcome = guideFromKeys('whatever', [key], NONE);
    if (outcome.ok) sound(outcome.value.guide);
    else outcome.problems.forEach(({ code }) => codes.add(code));
  }
  expect(['nothing-named', 'nothing-said']).toEqual(expect.arrayContaining([...codes]));
});

it('a key of more statements than a guide has characters is refused', () => {
  const key = keyOf('1a Nocturnal ... Velda alba\n1b Spur straight ... Velda nigrans');
  const couplets = Array.from({ length: 2001 }, (_, i) => ({ ...key.couplets[0], id: `c${i + 1}`, number: String(i + 1) }));
  expect(guideFromKeys('made', [{ ...key, couplets }], NONE)).toMatchObject({
    ok: false,
    problems: [{ code: 'too-many-characters' }],
  });
});

describe('several keys to one group', () => {
  it('keep what they differ in as two sources', () => {
    const first = keyOf(
      '1a Punctures coarse; head round ... Velda alba Tessel, 1899\n1b Punctures fine; head square ... Velda nigrans',
      'Tessel',
    );
    const second = keyOf('1a Punctures fine; legs red ... V. alba\n1b Punctures coarse; legs black ... Velda nigrans', 'Korvald');
    const { guide } = guideOf('both', [first, second], NONE);
    expect(guide.taxa.map(({ name, authority }) => [name, authority])).toEqual([
      ['Velda', undefined],
      ['Velda alba', 'Tessel, 1899'],
      ['Velda nigrans', undefined],
    ]);
    const alba = guide.scores.filter(({ scope, character }) => scope.taxon === 'Velda-alba' && character === 'Punctures');
    expect(alba.map(({ source, value }) => [source, value])).toEqual([
      ['Tessel', { kind: 'states', states: { coarse: 'always' } }],
      ['Korvald', { kind: 'states', states: { fine: 'always' } }],
    ]);
    sound(guide);
  });

  it('of the beetles give a guide that names what the hand-written one names, in nine of ten', () => {
    const bare = (key: Key): Key => ({
      ...key,
      couplets: key.couplets.map((couplet) => ({
        ...couplet,
        leads: couplet.leads.map((lead) => ({
          ...lead,
          statements: lead.statements.map(({ n, text, join }) => ({ n, text, ...(join ? { join } : {}) })),
        })),
      })),
    });
    const keys = [selwithKey, tolmarKey];
    const guide = guideOf('beetles', keys.map(bare), NONE);
    const own = compiled(guide.guide);
    const theirs = compileGuide(strandBeetles);
    const random = seeded('two hundred beetles');
    const named = new Map(guide.guide.taxa.map(({ id, name }) => [id, name]));
    let agree = 0;
    const N = 200;
    for (let i = 0; i < N; i++) {
      const { readings } = drawnSpecimen(theirs, random, { share: 1, misreading: 0 });
      const best = posteriorOf(theirs, {}, readings).p;
      const book = strandBeetles.taxa.find(({ id }) => id === theirs.forms[best.indexOf(Math.max(...best))].taxon)!.name;
      if (named.get(leaderOf(own, translated(keys, guide, readings))) === book) agree++;
    }
    expect(agree / N).toBeGreaterThan(0.9);
  });
});

/** A specimen's readings as the made guide has them: each statement that holds of it, by the ties of the hand-written key. */
function translated(keys: readonly Key[], { keys: tied }: KeyGuide, readings: readonly Reading[]): Reading[] {
  const byCharacter = new Map(readings.map((reading) => [reading.character, reading]));
  const holds = (link: StatementLink): boolean => {
    const reading = byCharacter.get(link.character);
    if (!reading) return false;
    if ('states' in link) return reading.states!.every((state) => link.states.includes(state));
    return reading.value! >= (link.low ?? -Infinity) && reading.value! <= (link.high ?? Infinity);
  };
  const said = new Map<string, Reading>();
  keys.forEach((key, k) => {
    const own = leadsOf(tied[k]);
    leadsOf(key).forEach(({ lead }, l) =>
      lead.statements.forEach(({ link }, s) => {
        const mine = own[l].lead.statements[s].link;
        if (!link || !mine || !holds(link)) return;
        const reading = readingOf(mine);
        const both = said.get(mine.character)?.states?.filter((state) => reading.states?.includes(state));
        if (!said.has(mine.character) || both?.length) said.set(mine.character, both ? { ...reading, states: both } : reading);
      }),
    );
  });
  return [...said.values()];
}

describe('thirty styles of print', () => {
  it('an ending leads where all statements are answered as it says, in 99 of 100', () => {
    let [right, all] = [0, 0];
    for (const [name, style] of Object.entries(PRINTINGS))
      for (const couplets of [4, 9, 14]) {
        const key = keyOf(printed(meantKey(`${name} ${couplets}`, couplets), style));
        const guide = guideOf('made', [key], NONE);
        const own = compiled(guide.guide);
        const [tied] = guide.keys;
        for (const to of endpointsOf(tied)) {
          all++;
          const leader = leaderOf(own, answersOf(tied, endpointId(to)!));
          if (to.kind === 'taxon' && leader === to.taxon) right++;
        }
      }
    expect(all).toBeGreaterThan(800);
    expect(right / all).toBeGreaterThanOrEqual(0.99);
  });
});

describe('two words of a key for one state', () => {
  const text = `1a Legs red or brown ... 2
1b Legs black ... Velda alba
2a Legs reddish ... Velda velox
2b Legs brown ... Velda minuta`;
  const statesOf = ({ guide }: KeyGuide) => guide.characters[0].states!.map(({ label }) => label);
  const { characters } = made(text);
  const [{ id: of }] = characters[0].contrasts;

  it('are one where that is declared, wherever the character is told by them', () => {
    expect(characters[0].states).toEqual(['red', 'brown', 'black', 'reddish']);
    const one = made(text, { same: [{ of, from: 'reddish', to: 'red' }] });
    expect(statesOf(one)).toEqual(['red', 'brown', 'black']);
    expect(score(one, 'Velda velox', 'Legs')).toEqual({
      kind: 'states',
      states: { [one.guide.characters[0].states![0].id]: 'always' },
    });
    expect(one.notes).toEqual([]);
    sound(one.guide);
    // The leads are tied to the one state as well.
    const links = one.keys[0].couplets.flatMap(({ leads }) => leads.map(({ statements }) => statements[0].link));
    expect(links[2]).toEqual({ character: one.guide.characters[0].id, states: [one.guide.characters[0].states![0].id] });
  });

  it('stay two where a couplet holds them against each other, which is said; others are passed over', () => {
    const two = made(text, { same: [{ of, from: 'brown', to: 'reddish' }] });
    expect(statesOf(two)).toEqual(statesOf(made(text)));
    expect(two.notes).toContain('“brown” and “reddish” stay two: couplet 2 holds them against each other.');
    const none = [
      { of, from: 'blue', to: 'red' },
      { of, from: 'red', to: 'Red' },
      { of: 'no-such', from: 'reddish', to: 'red' },
    ];
    expect(statesOf(made(text, { same: none }))).toEqual(statesOf(made(text)));
  });

  it('one after the other come to one, and what became one by it is held apart by its couplets too', () => {
    const chain = [
      { of, from: 'reddish', to: 'red' },
      { of, from: 'brown', to: 'red' },
    ];
    const chained = made(text, { same: chain });
    expect(statesOf(chained)).toEqual(['red', 'brown', 'black']);
    expect(chained.notes).toEqual(['“brown” and “red” stay two: couplet 2 holds them against each other.']);
  });
});
