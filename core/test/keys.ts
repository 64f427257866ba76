import { type RandomSource, seeded } from '../probability';
import { Guide } from '../guide';
import type { Couplet, Key, Statement } from '../keys';

/** Two couplets, three names: the smallest key worth walking, tied to the tiny guide. */
export const tinyKey: Key = {
  format: 'plesion-key',
  formatVersion: 1,
  title: 'Tessella',
  guide: 'tiny',
  start: 'c1',
  couplets: [
    {
      id: 'c1',
      number: '1',
      leads: [
        {
          id: 'a',
          statements: [
            { n: 1, text: 'Edge: round', link: { character: 'edge', states: ['round'] } },
            { n: 2, text: 'Length below 11 mm', link: { character: 'length', high: 11 } },
          ],
          to: { kind: 'taxon', name: 'Tessella alba', taxon: 'a' },
        },
        {
          id: 'b',
          statements: [
            { n: 3, text: 'Edge: toothed', link: { character: 'edge', states: ['toothed'] } },
            { n: 4, text: 'Length 11 mm or more', link: { character: 'length', low: 11 } },
          ],
          to: { kind: 'couplet', couplet: 'c2' },
        },
      ],
    },
    {
      id: 'c2',
      number: '2',
      leads: [
        {
          id: 'a',
          statements: [{ n: 1, text: 'Teeth: 4 or more', link: { character: 'teeth', low: 4 } }],
          to: { kind: 'taxon', name: 'Tessella brevis', taxon: 'b' },
        },
        {
          id: 'b',
          statements: [{ n: 2, text: 'Teeth: 3 or fewer', link: { character: 'teeth', high: 3 } }],
          to: { kind: 'key', title: 'Tessellina' },
        },
      ],
    },
  ],
};

const WORDS = [
  'foot',
  'with',
  'five',
  'rows',
  'edge',
  'bent',
  'at',
  'base',
  '3.2–5 mm',
  'long',
  'smooth',
  'ca. 12',
  'hairs',
  'usually',
];

/** A key drawn at random: every couplet reached, some of them twice. */
export function randomKey(seed: string | number, couplets: number, rejoining = true): Key {
  const random = seeded(seed);
  const below = (n: number) => Math.floor(random() * n);
  const list: Couplet[] = Array.from({ length: couplets }, (_, i) => ({ id: `c${i + 1}`, number: String(i + 1), leads: [] }));
  const slots: Couplet[] = [];
  list.forEach((couplet, i) => {
    if (i > 0) {
      const at = below(slots.length);
      const [from] = slots.splice(at, 1);
      from.leads.push({ id: 'a', statements: [], to: { kind: 'couplet', couplet: couplet.id } });
    }
    for (let k = random() < 0.15 ? 3 : 2; k > 0; k--) slots.push(couplet);
  });
  for (const couplet of slots) {
    const later = rejoining && random() < 0.1 ? list.slice(list.indexOf(couplet) + 1) : [];
    couplet.leads.push({
      id: 'a',
      statements: [],
      to: later.length
        ? { kind: 'couplet', couplet: later[below(later.length)].id }
        : random() < 0.1
          ? { kind: 'key', title: `Genus${below(9)}` }
          : {
              kind: 'taxon',
              name: `Tessella ${'abcdefghij'[below(10)].repeat(3)}${'aeiou'[below(5)]} Korvald, 19${10 + below(80)}`,
            },
    });
  }
  for (const couplet of list) {
    let n = 0;
    couplet.leads.forEach((lead, i) => {
      lead.id = 'abcdef'[i];
      lead.statements = Array.from({ length: 1 + below(3) }, (_, k) => statement(++n, `${couplet.number}${lead.id}`, k, random));
    });
  }
  return { format: 'plesion-key', formatVersion: 1, title: 'Drawn at random', start: 'c1', couplets: list };
}

function statement(n: number, where: string, k: number, random: RandomSource): Statement {
  const words = Array.from({ length: 2 + Math.floor(random() * 5) }, () => WORDS[Math.floor(random() * WORDS.length)]);
  const join = k > 0 && random() < 0.25 ? { join: random() < 0.5 ? ('or' as const) : ('except' as const) } : {};
  return { n, text: `part x${where}${k} ${words.join(' ')} plain`, ...join };
}

/** Species told by states without variation, drawn at random, all equally common. */
export function plainGuide(seed: string | number, taxa: number, characters: number, states: number): Guide {
  const random = seeded(seed);
  const ids = Array.from({ length: taxa }, (_, i) => `t${i}`);
  return Guide.parse({
    format: 'plesion-guide',
    formatVersion: 1,
    id: 'plain',
    title: 'Plain',
    summary: 'Drawn at random.',
    group: 'Plain',
    area: 'nowhere',
    caution: 'Take care.',
    facets: {},
    taxa: [
      { id: 'genus', name: 'Tessella', rank: 'genus' },
      ...ids.map((id) => ({ id, name: `Tessella ${id}`, rank: 'species', parent: 'genus', forms: [{ facets: {} }] })),
    ],
    characters: Array.from({ length: characters }, (_, c) => ({
      id: `c${c}`,
      label: `Character ${c}`,
      kind: 'nominal',
      group: 'shape',
      views: ['top'],
      states: Array.from({ length: states }, (_s, s) => ({ id: `s${s}`, label: `state ${s}` })),
    })),
    dependence: [],
    sources: [{ id: 'book', label: 'Book', citation: 'A book.', kind: 'book' }],
    policy: { kind: 'prefer', order: ['book'] },
    scores: Array.from({ length: characters }, (_, c) =>
      ids.map((taxon) => ({
        character: `c${c}`,
        source: 'book',
        scope: { taxon },
        value: { kind: 'states', states: { [`s${Math.floor(random() * states)}`]: 1 } },
      })),
    ).flat(),
    occurrence: [],
    regions: [],
    habitats: [],
    views: [{ id: 'top', label: 'from above' }],
  });
}
