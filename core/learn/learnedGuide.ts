import { symmetric } from '../linear';
import { type Block, type Character, type Facets, type Guide, idsFor, type Score, type Taxon } from '../guide/working';
import type { Choice } from './choose';
import type { LabelledForm } from './preparedTable';
import type { FoldedTable } from './folds';
import { kinOf } from './kin';
import { fitModel, type Model } from './model';
import { frequenciesFrom } from './categorical';

const SOURCE = 'table';
const VIEW = 'measured';

/** The guide that a table taught, before it says how well: taxa, characters, measured block and frequencies. */
export function learnedGuide(id: string, title: string, dealt: FoldedTable, choice: Choice): Omit<Guide, 'learned'> {
  const { data } = dealt;
  const work: Work = {
    dealt,
    choice,
    title,
    ids: idsFor([...data.measured, ...data.categorical.map(({ name }) => name)]),
    taxonIds: idsFor([...new Set(data.forms.map(({ labels }) => labels.taxon ?? title))]),
    facetIds: facetsOf(data.forms),
  };
  const { facetIds } = work;
  const block = data.measured.length > 1 ? blockOf(work) : undefined;
  return {
    format: 'plesion-guide',
    formatVersion: 1,
    id,
    title,
    summary: `Learned from ${data.of.length} labelled specimens of ${data.forms.length} kinds.`,
    group: title,
    area: 'as the table',
    caution:
      'Learned from a table, this guide knows nothing of dangers, protection or law. Handle nothing on its word alone; ask those who know the group.',
    facets: Object.fromEntries(
      [...facetIds].map(([facet, values]) => [facet, [...values].map(([label, own]) => ({ id: own, label }))]),
    ),
    taxa: taxaOf(work),
    characters: charactersOf(work),
    dependence:
      data.categorical.length > 1 && choice.categorical < 1
        ? [{ id: 'categorical', label: 'not measured', gamma: 0, power: choice.categorical }]
        : [],
    sources: [{ id: SOURCE, label: 'the table', citation: `${data.of.length} labelled specimens.`, kind: 'records' }],
    policy: { kind: 'prefer', order: [SOURCE] },
    scores: scoresOf(work),
    occurrence: [],
    regions: [],
    habitats: [],
    views: [{ id: VIEW, label: 'measured' }],
    ...(block ? { blocks: [block] } : {}),
    settings: {
      reliability: 1,
      slip: 0.0005,
      tail: 0.01,
      // The table holds only its own kinds: little is kept back for others, and a poor fit still says so.
      outside: 0.0005,
      secondLook: 0.7,
      unrecorded: 0.02,
      danger: 0.005,
      fit: 0.01,
      // Measured together they are one character, and one must be enough.
      call: { posterior: 0.95, groups: 1, survives: 0.5, inFavour: 0.5, facetGroups: 1, school: 'weigh' },
    },
  };
}

/** A table with what it chose, and the ids its names were given. */
interface Work {
  dealt: FoldedTable;
  choice: Choice;
  title: string;
  ids: Map<string, string>;
  taxonIds: Map<string, string>;
  facetIds: FacetIds;
}

const taxonOf = ({ taxonIds, title }: Work, form: LabelledForm) => taxonIds.get(form.labels.taxon ?? title)!;

type FacetIds = Map<'sex' | 'stage' | 'morph', Map<string, string>>;

function facetsOf(forms: readonly LabelledForm[]): FacetIds {
  return new Map(
    (['sex', 'stage', 'morph'] as const).flatMap((facet) => {
      const values = [...new Set(forms.flatMap(({ labels }) => labels[facet] ?? []))];
      return values.length ? [[facet, idsFor(values)] as const] : [];
    }),
  );
}

const facetsFor = (form: LabelledForm, ids: FacetIds): Facets =>
  Object.fromEntries([...ids].map(([facet, values]) => [facet, values.get(form.labels[facet]!)!]));

function taxaOf({ dealt, taxonIds, facetIds, title }: Work): Taxon[] {
  const { forms } = dealt.data;
  const root = { id: 'all-of-the-table', name: title, rank: 'genus' as const, abundance: 1 };
  const taxa = [...taxonIds].map(([name, id]): Taxon => {
    const own = forms.filter(({ labels }) => (labels.taxon ?? title) === name);
    const n = own.reduce((sum, form) => sum + form.n, 0);
    return {
      id,
      name,
      rank: 'species',
      parent: root.id,
      abundance: n,
      forms: own.map((form) => ({
        share: form.n / n,
        facets: Object.fromEntries(Object.entries(facetsFor(form, facetIds)).map(([facet, value]) => [facet, { [value]: 1 }])),
      })),
    };
  });
  return [root, ...taxa];
}

function charactersOf({ dealt: { data }, choice, ids }: Work): Character[] {
  const common = {
    group: 'shape' as const,
    views: [VIEW],
    handling: 'look' as const,
    distance: 'near' as const,
    needsLight: false,
    seconds: 5,
  };
  const order = data.measured.length;
  const measured = data.measured.map((name, m): Character => {
    const values = Array.from({ length: data.of.length }, (_, r) => data.values[r * order + m]).filter((x) => !Number.isNaN(x));
    return {
      ...common,
      id: ids.get(name)!,
      label: name,
      kind: 'measurement',
      error: smallestStep(values),
      ...(choice.log && order === 1 ? { log: true } : {}),
    };
  });
  const categorical = data.categorical.map(({ name, kind, entries }): Character => {
    const dependence = data.categorical.length > 1 && choice.categorical < 1 ? { dependence: 'categorical' } : {};
    const own = { ...common, ...dependence, id: ids.get(name)!, label: name, reliability: 1 };
    if (kind === 'count') return { ...own, kind, counts: { from: Number(entries[0]), to: Number(entries.at(-1)) } };
    return { ...own, kind, states: [...idsFor(entries)].map(([label, id]) => ({ id, label })) };
  });
  return [...measured, ...categorical];
}

/** The step in which a column was measured: its smallest difference, as the error of one reading. */
function smallestStep(values: readonly number[]): number {
  const sorted = Float64Array.from(new Set(values)).sort();
  const steps = Array.from(sorted.slice(1), (x, i) => x - sorted[i]).filter((step) => step > 1e-9);
  return steps.length ? Number(Math.min(...steps).toPrecision(2)) : 1;
}

function blockOf(work: Work): Block {
  const { dealt, choice, ids } = work;
  const { data } = dealt;
  const { scale, model } = wholeModel(dealt, choice);
  return {
    id: 'measured',
    label: 'measured together',
    characters: data.measured.map((name) => ids.get(name)!),
    log: scale.log,
    ...(choice.degrees === undefined ? {} : { degrees: choice.degrees }),
    temper: choice.temper,
    covariance: [...model.pooled],
    forms: data.forms.map((form, f) => ({
      taxon: taxonOf(work, form),
      facets: facetsFor(form, work.facetIds),
      n: Math.max(1, Math.round(model.n[f])),
      mean: Array.from(model.means[f], (mean, i) => mean + scale.centre[i]),
      ...(model.own ? { covariance: [...model.own[f]] } : {}),
    })),
  };
}

function wholeModel(dealt: FoldedTable, choice: Choice): { scale: FoldedTable['scales'][number]; model: Model } {
  const scale = dealt.scales.find(({ log }) => log === choice.log) ?? dealt.scales[0];
  return { scale, model: fitModel(scale.total, dealt.data.measured.length, choice, kinOf(dealt.data.forms)) };
}

/** Frequencies of categorical columns; a single measured column has its values here, since it needs no block. */
function scoresOf(work: Work): Score[] {
  const { dealt, choice, ids } = work;
  const { data } = dealt;
  const frequencies = frequenciesFrom(dealt.tally, data);
  const scopeOf = (form: LabelledForm): Score['scope'] => {
    const facets = Object.entries(facetsFor(form, work.facetIds)).map(([facet, value]) => [facet, [value]] as const);
    return { taxon: taxonOf(work, form), ...(facets.length ? { facets: Object.fromEntries(facets) } : {}) };
  };
  const categorical = data.categorical.flatMap(({ name, kind, entries }, t) => {
    const keys = kind === 'count' ? entries : [...idsFor(entries).values()];
    return data.forms.map((form, f): Score => {
      const p = frequencies[f * data.categorical.length + t];
      const table = Object.fromEntries(keys.map((key, e) => [key, p[e]]));
      return {
        character: ids.get(name)!,
        source: SOURCE,
        scope: scopeOf(form),
        value: kind === 'count' ? { kind: 'counts', counts: table } : { kind: 'states', states: table },
      };
    });
  });
  if (data.measured.length !== 1) return categorical;
  const { scale, model } = wholeModel(dealt, choice);
  const single = data.forms.map((form, f): Score => {
    const variance = symmetric(model.own?.[f] ?? model.pooled, 0, 0);
    const centre = model.means[f][0] + scale.centre[0];
    const mean = scale.log ? Math.exp(centre + variance / 2) : centre;
    const sd = scale.log ? mean * Math.sqrt(Math.exp(variance) - 1) : Math.sqrt(variance);
    return {
      character: ids.get(data.measured[0])!,
      source: SOURCE,
      scope: scopeOf(form),
      value: { kind: 'values', mean, sd, n: form.n },
    };
  });
  return [...single, ...categorical];
}
