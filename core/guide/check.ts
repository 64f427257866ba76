import type { Problem } from '../problem';
import { checkFacets } from './checkFacets';
import { checkField } from './checkField';
import { checkFigures } from './checkFigures';
import { checkHeredity } from './checkHeredity';
import { checkJudgement } from './checkJudgement';
import { checkNumbers } from './checkNumbers';
import { checkProtocol } from './checkProtocol';
import { formsOf, lineage } from './forms';
import { parseRange } from './ranges';
import type { Character, Guide, Scope, Score } from './schema';
import { spreadFrequencies, wordsOf } from './words';

/**
 * What the shape of the JSON alone cannot show: names that point nowhere, names
 * given twice, scores that do not suit their character, frequencies above 1.
 * Every problem names the field, so that an author can mend it.
 */
export function checkGuide(guide: Guide): Problem[] {
  const problems: Problem[] = [];
  const report = (field: string, code: string, message: string) => problems.push({ code, message, field });
  const ids = {
    taxon: new Set(guide.taxa.map((t) => t.id)),
    character: new Map(guide.characters.map((c) => [c.id, c])),
    source: new Set(guide.sources.map((s) => s.id)),
    region: new Set(guide.regions.map((r) => r.id)),
    habitat: new Set(guide.habitats.map((h) => h.id)),
    view: new Set(guide.views.map((v) => v.id)),
    dependence: new Set(guide.dependence.map((d) => d.id)),
    circumstance: new Set((guide.circumstances ?? []).map((c) => c.id)),
    company: new Set((guide.company ?? []).map((c) => c.id)),
  };
  const known = (kind: keyof typeof ids, id: string, field: string) => {
    if (!ids[kind].has(id)) report(field, `unknown-${kind}`, `There is no ${kind} “${id}” in this guide.`);
  };

  for (const list of ['taxa', 'characters', 'sources', 'regions', 'habitats', 'views', 'dependence'] as const) {
    const seen = new Set<string>();
    guide[list].forEach((item, i) => {
      if (seen.has(item.id)) report(`${list}[${i}].id`, 'id-twice', `“${item.id}” stands twice in ${list}.`);
      seen.add(item.id);
    });
  }

  guide.taxa.forEach((taxon, i) => {
    if (taxon.parent) known('taxon', taxon.parent, `taxa[${i}].parent`);
    const line = lineage(guide, taxon.id);
    if (line.at(-1)?.parent) report(`taxa[${i}].parent`, 'taxon-circle', `“${taxon.name}” is its own ancestor.`);
    taxon.forms?.forEach((block, b) =>
      checkFacets(guide, Object.fromEntries(Object.entries(block.facets).map(([f, v]) => [f, Object.keys(v)])), (f, v) =>
        report(`taxa[${i}].forms[${b}].facets.${f}`, 'unknown-facet', `The guide has no ${f} “${v}”.`),
      ),
    );
  });
  if (guide.plateTraits && guide.formatVersion < 2) {
    report('plateTraits', 'newer-field', 'What drives a plate can be said from format 2 on: set formatVersion to 2.');
  }
  if (formsOf(guide).length === 0) report('taxa', 'no-forms', 'No taxon declares forms, so nothing can be told apart.');

  guide.characters.forEach((character, i) => checkCharacter(character, `characters[${i}]`, report, known));

  const words = wordsOf(guide);
  const states = new Map(guide.characters.map((character) => [character.id, new Set(character.states?.map((s) => s.id))]));
  guide.scores.forEach((score, i) => {
    const character = ids.character.get(score.character);
    // Of millions nearly all are such, and nothing is to be said of them.
    if (
      character &&
      ids.source.has(score.source) &&
      isOfWholeTaxon(score.scope, ids.taxon) &&
      isOneState(score.value, character, states.get(character.id)!)
    )
      return;
    const field = `scores[${i}]`;
    known('source', score.source, `${field}.source`);
    checkScope(guide, score.scope, field, report, known);
    if (!character) known('character', score.character, `${field}.character`);
    else checkValue(guide, character, score, field, report, words);
  });

  guide.occurrence.forEach((record, i) => {
    const field = `occurrence[${i}]`;
    known('taxon', record.taxon, `${field}.taxon`);
    if (record.kind === 'range') known('region', record.region, `${field}.region`);
    if (record.kind === 'habitat') known('habitat', record.habitat, `${field}.habitat`);
    if (record.kind === 'company') known('company', record.company, `${field}.company`);
    if (record.kind === 'date' && record.facets) {
      checkFacets(guide, record.facets, (f, v) =>
        report(`${field}.facets.${f}`, 'unknown-facet', `The guide has no ${f} “${v}”.`),
      );
    }
  });

  guide.glossary?.forEach(({ figure, term }, i) => {
    if (!figure) return;
    if ('part' in figure) {
      known('view', figure.view, `glossary[${i}].figure.view`);
      return;
    }
    const character = ids.character.get(figure.character);
    if (!character) known('character', figure.character, `glossary[${i}].figure.character`);
    for (const state of figure.states) {
      if (character && !character.states?.some(({ id }) => id === state)) {
        report(
          `glossary[${i}].figure.states`,
          'unknown-state',
          `“${term}” is to be drawn as “${state}”, which “${character.label}” does not have.`,
        );
      }
    }
  });

  checkField(guide, report, known);
  checkFigures(guide, report, known);
  checkHeredity(guide, report);

  const policySources = guide.policy.kind === 'prefer' ? guide.policy.order : Object.keys(guide.policy.weights);
  [...policySources, ...(guide.policy.exclude ?? [])].forEach((source) => known('source', source, 'policy'));
  if (guide.scores.length === 0 && !guide.blocks?.length) {
    report('scores', 'no-scores', 'The guide scores no character, so nothing can be weighed.');
  }
  const all = [...problems, ...checkJudgement(guide)];
  // Numbers are looked at once every name points somewhere.
  return all.length ? all : checkNumbers(guide);
}

type Report = (field: string, code: string, message: string) => void;
type Known = (kind: 'taxon' | 'view' | 'dependence' | 'region' | 'circumstance', id: string, field: string) => void;

function isOfWholeTaxon({ taxon, facets, regions, circumstances }: Scope, taxa: ReadonlySet<string>): boolean {
  return taxon !== undefined && taxa.has(taxon) && !facets && !regions && !circumstances;
}

function isOneState(value: Score['value'], character: Character, states: ReadonlySet<string>): boolean {
  if (value.kind !== 'states' || value.uncertain || !isStates(character)) return false;
  let n = 0;
  for (const state in value.states) {
    if (!states.has(state)) return false;
    n++;
  }
  return n === 1;
}

function checkScope(guide: Guide, scope: Scope, field: string, report: Report, known: Known): void {
  if (scope.taxon) known('taxon', scope.taxon, `${field}.scope.taxon`);
  scope.regions?.forEach((region) => known('region', region, `${field}.scope.regions`));
  scope.circumstances?.forEach((circumstance) => known('circumstance', circumstance, `${field}.scope.circumstances`));
  if (scope.facets) {
    checkFacets(guide, scope.facets, (f, v) =>
      report(`${field}.scope.facets.${f}`, 'unknown-facet', `The guide has no ${f} “${v}”.`),
    );
  }
}

function checkCharacter(character: Character, field: string, report: Report, known: Known): void {
  character.views.forEach((view) => known('view', view, `${field}.views`));
  if (character.dependence) known('dependence', character.dependence, `${field}.dependence`);
  if (isStates(character) && !character.states) {
    report(`${field}.states`, 'states-missing', `“${character.label}” is ${character.kind} and needs its states.`);
  }
  if (character.kind === 'count' && !character.counts) {
    report(`${field}.counts`, 'counts-missing', `“${character.label}” is a count and needs its smallest and largest.`);
  }
  if (isValue(character) && !character.error) {
    report(`${field}.error`, 'error-missing', `“${character.label}” is measured and needs its usual error.`);
  }
  if (character.protocol) known('view', character.protocol.view, `${field}.protocol.view`);
  checkProtocol(character, `${field}.protocol`, report);
}

function checkValue(
  guide: Guide,
  character: Character,
  { value }: Score,
  field: string,
  report: Report,
  words: ReturnType<typeof wordsOf>,
): void {
  const at = `${field}.value`;
  if (value.kind === 'applies') return;
  if (value.kind === 'comparison') {
    if (!isValue(character)) {
      report(
        at,
        'score-kind',
        `“${character.label}” is ${character.kind}; only measured characters can be scored by comparison.`,
      );
    }
    if (!guide.taxa.some(({ id }) => id === value.than.taxon)) {
      report(`${at}.than.taxon`, 'unknown-taxon', `There is no taxon “${value.than.taxon}” in this guide.`);
    }
    return;
  }
  const suits =
    value.kind === 'states'
      ? isStates(character)
      : value.kind === 'counts'
        ? character.kind === 'count'
        : isValue(character) || character.kind === 'count';
  if (!suits) {
    report(at, 'score-kind', `“${character.label}” is ${character.kind}; a score of ${value.kind} does not suit it.`);
    return;
  }
  if (value.kind === 'states') {
    const states = character.states?.map((s) => s.id) ?? [];
    for (const state of Object.keys(value.states)) {
      if (!states.includes(state)) report(`${at}.states`, 'unknown-state', `“${character.label}” has no state “${state}”.`);
    }
    const { sum } = spreadFrequencies(states, value.states, words);
    if (sum > 1 + 1e-9) {
      report(
        `${at}.states`,
        'frequencies-above-one',
        `The frequencies of “${character.label}” add up to ${sum.toFixed(2)}; bring them to 1 or less.`,
      );
    }
    const often = Object.values(value.states);
    if (value.uncertain && (often.length < 2 || often.some((one) => one !== often[0]))) {
      report(
        `${at}.uncertain`,
        'uncertain-states',
        `Which state of “${character.label}” it is, is not known: name two or more, each as often as the others.`,
      );
    }
  }
  if (value.kind === 'range') {
    const parsed = parseRange(value.range);
    if (!parsed.ok) report(`${at}.range`, parsed.problems[0].code, parsed.problems[0].message);
    else if (character.log && (parsed.value.lowest ?? parsed.value.low) <= 0) {
      report(`${at}.range`, 'range-not-positive', `“${character.label}” is on a log scale; its range must be above 0.`);
    }
  }
}

/** Characters told by drawn states. */
export const isStates = (character: Character): boolean => character.kind === 'nominal' || character.kind === 'ordered';

/** Characters told by a number with an error: measurement, ratio, angle. */
export const isValue = (character: Character): boolean => !isStates(character) && character.kind !== 'count';
