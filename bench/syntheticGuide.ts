import { normal, normalMass, pick, seeded } from '@plesion/core/probability';
import type { Reading } from '@plesion/core/observation';
import {
  type Character,
  type CompiledGuide,
  Guide,
  type Resolved,
  statesTable,
  type Table,
  valuesTable,
} from '@plesion/core/guide';

export interface Synthetic {
  compiled: CompiledGuide;
  /** Readings of one individual of a form picked at random. */
  readings: Reading[];
  /** Every character cut into classes, as a general classifier takes it. */
  whole: { classes: Float64Array[]; read: number; asked: boolean }[];
}

/** Classes that a measured character is cut into. */
const CLASSES = 8;
const VALUE_EVERY = 5;

/**
 * A guide of invented forms, compiled table by table: four characters of five
 * are told by 2 to 5 states, the fifth is measured. One cell in ten is not scored.
 */
export function syntheticGuide(forms: number, characters: number, read: number, seed = 'bench'): Synthetic {
  const random = seeded(seed);
  const guide = skeleton(forms, characters);
  const base = new Float64Array(forms).fill(1 / forms);
  const tables = new Map<string, Table>();
  for (const character of guide.characters) {
    const resolved = Array.from({ length: forms }, () => cell(character, random));
    tables.set(
      character.id,
      character.states
        ? statesTable(
            character,
            character.states.map((s) => s.id),
            resolved,
            base,
            guide.settings,
          )
        : valuesTable(character, resolved, base),
    );
  }
  const compiled: CompiledGuide = {
    guide,
    base,
    tables,
    policy: guide.policy,
    setting: {},
    columns: new Map(),
    blocks: [],
    naming: { taxa: guide.taxa, of: guide.taxa.slice(1).map((taxon) => taxon.id) },
    forms: guide.taxa.slice(1).map((taxon) => ({ id: taxon.id, taxon: taxon.id, facets: {}, share: 1 })),
  };
  const truth = Math.floor(random() * forms);
  // Spread over the guide, and shifted a little each time so that both kinds are read.
  const apart = characters / read;
  const shift = Math.max(1, Math.min(VALUE_EVERY, Math.floor(apart)));
  const asked = new Set(Array.from({ length: read }, (_, i) => Math.floor(i * apart) + (i % shift)));
  const shown = guide.characters.map((character) => shownBy(tables.get(character.id)!, truth, random));
  const readings = [...asked].map((i): Reading => ({ character: guide.characters[i].id, ...shown[i].reading }));
  const whole = shown.map(({ classes, read: own }, i) => ({ classes, read: own, asked: asked.has(i) }));
  return { compiled, readings, whole };
}

/** One individual's reading of a character, and the character as classes. */
function shownBy(table: Table, truth: number, random: () => number) {
  const forms = table.scored.length;
  if (table.type === 'values') {
    const value = table.mean[truth] + normal(random) * table.sd[truth];
    const edges = Array.from({ length: CLASSES + 1 }, (_, k) =>
      k === 0 ? -1e9 : k === CLASSES ? 1e9 : table.centre + (k - CLASSES / 2) * table.spread * 0.6,
    );
    const classes = edges
      .slice(1)
      .map((edge, k) => Float64Array.from({ length: forms }, (_, f) => normalMass(edges[k], edge, table.mean[f], table.sd[f])));
    return { reading: { value }, classes, read: edges.findIndex((edge) => edge >= value) - 1 };
  }
  const classes = table.states.map((_, s) => table.frequency.subarray(s * forms, (s + 1) * forms));
  const state = pick(
    classes.map((p) => p[truth]),
    random,
  );
  return { reading: { states: [table.states[state]] }, classes, read: state };
}

function skeleton(forms: number, characters: number): Guide {
  return Guide.parse({
    format: 'plesion-guide',
    formatVersion: 1,
    id: 'synthetic',
    title: 'Synthetic',
    summary: '',
    group: 'none',
    area: 'none',
    caution: 'Not real.',
    facets: {},
    taxa: [
      { id: 'g', name: 'Synthetica', rank: 'genus' },
      ...Array.from({ length: forms }, (_, i) => ({
        id: `s${i}`,
        name: `Synthetica s${i}`,
        rank: 'species',
        parent: 'g',
        forms: [{ facets: {} }],
      })),
    ],
    characters: Array.from({ length: characters }, (_, i) =>
      i % VALUE_EVERY === VALUE_EVERY - 1
        ? { id: `c${i}`, label: `c${i}`, kind: 'measurement', group: 'shape', error: 0.2, views: ['any'] }
        : {
            id: `c${i}`,
            label: `c${i}`,
            kind: i % 2 ? 'ordered' : 'nominal',
            group: 'shape',
            views: ['any'],
            states: Array.from({ length: 2 + (i % 4) }, (_s, s) => ({ id: `x${s}`, label: `x${s}` })),
          },
    ),
    dependence: [],
    sources: [{ id: 'none', label: 'none', citation: 'none', kind: 'records' }],
    policy: { kind: 'prefer', order: ['none'] },
    scores: [{ character: 'c0', scope: {}, source: 'none', value: { kind: 'states', states: { x0: 0.5 } } }],
    occurrence: [],
    regions: [],
    habitats: [],
    views: [{ id: 'any', label: 'any' }],
  });
}

function cell(character: Character, random: () => number): Resolved {
  if (random() < 0.1) return undefined;
  if (!character.states) return { mean: 20 + 6 * normal(random), sd: 0.6 + random() };
  const states = character.states.length;
  const main = Math.floor(random() * states);
  const rest = 0.15 / (states - 1);
  return { p: Array.from({ length: states }, (_, s) => (s === main ? 0.85 : rest)) };
}
