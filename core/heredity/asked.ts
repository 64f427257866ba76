import { done, failed, type Outcome, type Problem } from '../problem';
import { frequencyProblems } from '../guide/heredityModel';
import { contradictionsOf, type Correction } from './contradictions';
import { crossOf } from './cross';
import { TooTangled } from './factor';
import { kinshipsOf } from './kinship';
import { pairsOf } from './pairs';
import { readyPedigree, seenOf } from './pedigree';
import { posteriorOf, readyQuestion, type ReadyQuestion } from './posterior';
import { proofOf } from './proof';
import { sayRecord, withoutRecords } from './records';
import type {
  CrossAnswer,
  CrossRequest,
  HeredityRecord,
  KinshipAnswer,
  KinshipRequest,
  PairsAnswer,
  PairsRequest,
  PosteriorAnswer,
  PosteriorRequest,
  ProofAnswer,
  ProofRequest,
  ReasonsAnswer,
  ReasonsRequest,
  SimulateAnswer,
  SimulateRequest,
  SuspectsAnswer,
  SuspectsRequest,
  UnlikelyAnswer,
  UnlikelyRequest,
} from './schema';
import { reasonsOf } from './reasons';
import { simulate } from './simulate';
import { suspectsOf } from './suspects';
import { unlikelyOf } from './unlikely';

type Asked = Pick<PosteriorRequest, 'system' | 'loci' | 'characters' | 'founders' | 'strains' | 'individuals'>;

const refused = (code: string, field: string, message: string): Problem => ({ code, field, message });

/** A question made ready and answered; what is wrong with it by its field, and what cannot be worked out in words. */
function answered<T>(
  { founders = {}, strains = [], individuals, ...model }: Asked,
  answer: (question: ReadyQuestion) => Outcome<T>,
): Outcome<T> {
  const problems = [
    ...frequencyProblems(model.loci, founders, 'founders'),
    ...strains.flatMap((strain, i) => frequencyProblems(model.loci, strain.founders ?? {}, `strains[${i}].founders`)),
  ];
  if (problems.length) return failed(...problems);
  const loci = model.loci.map((locus) => ({
    ...locus,
    alleles: locus.alleles.map((allele) => ({ ...allele, frequency: founders[locus.id]?.[allele.id] ?? allele.frequency })),
  }));
  const question = readyQuestion({ ...model, loci }, individuals, strains);
  if (!question.ok) return failed(...question.problems);
  return unlessTangled(() => answer(question.value));
}

function unlessTangled<T>(work: () => Outcome<T>): Outcome<T> {
  try {
    return work();
  } catch (error) {
    if (error instanceof TooTangled) return failed(refused('too-tangled', 'individuals', error.message));
    throw error;
  }
}

/** That an individual is in the pedigree. */
const unknown = ({ placeOf }: ReadyQuestion, named: readonly (readonly [field: string, id: string])[]): Problem[] =>
  named.flatMap(([field, id]) =>
    placeOf.has(id) ? [] : [refused('unknown-individual', field, `There is no individual “${id}” in the pedigree.`)],
  );

/** The records as far as they can be true: without those that are the likeliest to be wrong, where not all can. */
function believed(question: ReadyQuestion): { question: ReadyQuestion; without?: HeredityRecord[] } {
  const without = likeliestOf(contradictionsOf(question));
  return without.length ? { question: { ...question, kin: withoutRecords(question, without) }, without } : { question };
}

/** Of each matter that does not fit, the records that are the likeliest to be wrong. */
const likeliestOf = (matters: readonly Correction[][]): HeredityRecord[] => matters.flatMap(([first]) => first.records);

export const posteriorAsked = (asked: PosteriorRequest): Outcome<PosteriorAnswer> =>
  answered(asked, (question): Outcome<PosteriorAnswer> => {
    const problems = asked.ask.flatMap((set, i) => [
      ...unknown(
        question,
        set.map(({ id }, k) => [`ask[${i}][${k}].id`, id] as const),
      ),
      ...set.flatMap(({ locus }, k) =>
        question.model.loci.some(({ id }) => id === locus)
          ? []
          : [refused('no-locus', `ask[${i}][${k}].locus`, `There is no locus “${locus}”.`)],
      ),
    ]);
    if (problems.length) return failed(...problems);
    const found = posteriorOf(question, asked.individuals, asked.ask);
    if (found.logLikelihood !== undefined) return done(found);
    const matters = contradictionsOf(question);
    const impossible = matters.flatMap((corrections, matter) =>
      corrections.map(({ records, p }) => {
        const why = `${records.map(sayRecord).join(', and ')} ${records.length > 1 ? 'are' : 'is'} wrong`;
        return { matter, records, p, why };
      }),
    );
    // What can be told all the same: as if the likeliest of each matter had not been written.
    const without = { ...question, kin: withoutRecords(question, likeliestOf(matters)) };
    const { individuals, together } = posteriorOf(without, asked.individuals, asked.ask);
    return done({ individuals, together, impossible });
  });

export const crossAsked = (asked: CrossRequest): Outcome<CrossAnswer> =>
  answered(asked, (given) => {
    const problems = unknown(given, [
      ['father', asked.father],
      ['mother', asked.mother],
    ]);
    if (problems.length) return failed(...problems);
    const { question, ...rest } = believed(given);
    const found = crossOf(question, asked.father, asked.mother, asked.clutch);
    return found
      ? done({ ...found, ...rest })
      : failed(
          refused(
            'no-young',
            'father',
            `“${asked.father}” and “${asked.mother}” cannot be father and mother, or no young of theirs would live.`,
          ),
        );
  });

/** What is wrong with what young would show. */
function showsProblems(
  { model }: ReadyQuestion,
  { character: id, state }: { character: string; state: string },
  field: string,
): Problem[] {
  const character = model.characters.find((one) => one.id === id);
  if (!character) return [refused('no-character', `${field}.character`, `There is no character “${id}”.`)];
  if (character.states.includes(state)) return [];
  const known = character.states.join(', ');
  return [refused('unknown-state', `${field}.state`, `“${id}” has no state “${state}”; it has ${known}.`)];
}

/** What is wrong with an allele that is looked for. */
function alleleProblems({ model }: ReadyQuestion, asked: { locus: string; allele: string }, field = ''): Problem[] {
  const locus = model.loci.find(({ id }) => id === asked.locus);
  if (!locus) return [refused('no-locus', `${field}locus`, `There is no locus “${asked.locus}”.`)];
  if (locus.alleles.includes(asked.allele)) return [];
  return [
    refused(
      'no-allele',
      `${field}allele`,
      `“${asked.locus}” has no allele “${asked.allele}”; it has ${locus.alleles.join(', ')}.`,
    ),
  ];
}

export const pairsAsked = (asked: PairsRequest): Outcome<PairsAnswer> =>
  answered(asked, (given) => {
    const { fathers, mothers, goal, clutch } = asked;
    const problems = [
      ...unknown(given, [
        ...fathers.map((one, i) => [`fathers[${i}]`, one] as const),
        ...mothers.map((one, i) => [`mothers[${i}]`, one] as const),
      ]),
      ...('locus' in goal ? alleleProblems(given, goal, 'goal.') : []),
      ...showsProblems(given, goal.shows, 'goal.shows'),
    ];
    if (problems.length) return failed(...problems);
    const { question, ...rest } = believed(given);
    return done({ pairs: pairsOf(question, fathers, mothers, goal, clutch), ...rest });
  });

export const proofAsked = (asked: ProofRequest): Outcome<ProofAnswer> =>
  answered(asked, (question) => {
    const problems = [
      ...unknown(question, [['id', asked.id], ...asked.mates.map((mate, i) => [`mates[${i}]`, mate] as const)]),
      ...alleleProblems(question, asked),
      ...showsProblems(question, asked.shows, 'shows'),
    ];
    if (problems.length) return failed(...problems);
    const { question: told, ...rest } = believed(question);
    return done({ mates: proofOf(told, asked), ...rest });
  });

export const reasonsAsked = (asked: ReasonsRequest): Outcome<ReasonsAnswer> =>
  answered(asked, (given) => {
    const problems = unknown(given, [['id', asked.id]]);
    if (!given.model.loci.some(({ id }) => id === asked.locus))
      problems.push(refused('no-locus', 'locus', `There is no locus “${asked.locus}”.`));
    if (problems.length) return failed(...problems);
    const { question, ...rest } = believed(given);
    return done({ reasons: reasonsOf(question, asked.id, asked.locus), ...rest });
  });

export const unlikelyAsked = (asked: UnlikelyRequest): Outcome<UnlikelyAnswer> =>
  answered(asked, (given) => {
    const problems = unknown(given, [
      ...(asked.of ?? []).map((one, i) => [`of[${i}]`, one] as const),
      ...(asked.without ?? []).map(({ id }, i) => [`without[${i}].id`, id] as const),
    ]);
    if (problems.length) return failed(...problems);
    const { question, ...rest } = asked.without
      ? { question: { ...given, kin: withoutRecords(given, asked.without) }, without: asked.without }
      : believed(given);
    return done({ records: unlikelyOf(question, asked.of), ...rest });
  });

export const simulateAsked = (asked: SimulateRequest): Outcome<SimulateAnswer> =>
  answered(asked, (given) => {
    const { from, goal, rule } = asked;
    const problems = unknown(
      given,
      from.map((one, i) => [`from[${i}]`, one] as const),
    );
    if (goal) problems.push(...showsProblems(given, goal, 'goal'));
    else if (rule === 'show') problems.push(refused('no-goal', 'goal', 'Say what is bred for.'));
    if (problems.length) return failed(...problems);
    const { question, ...rest } = believed(given);
    return done({ generations: simulate(question, from, asked), ...rest });
  });

export const suspectsAsked = (asked: SuspectsRequest): Outcome<SuspectsAnswer> =>
  answered(asked, (question) => {
    const problems = unknown(
      question,
      asked.group.map(({ id }, i) => [`group[${i}].id`, id] as const),
    );
    if (new Set(asked.group.map(({ id }) => id)).size < asked.group.length)
      problems.push(refused('twice', 'group', 'Somebody stands in the group twice.'));
    const seen = seenOf(question.model, 'phenotypes', asked.phenotypes);
    if (!seen.ok) problems.push(...seen.problems);
    const strange = asked.separated.findIndex(({ id }) => !asked.group.some((one) => one.id === id));
    if (strange >= 0)
      problems.push(
        refused('not-of-the-group', `separated[${strange}].id`, `“${asked.separated[strange].id}” does not stand in the group.`),
      );
    if (problems.length || !seen.ok) return failed(...problems);
    const { question: told, ...rest } = believed(question);
    const { group, role, sexError, separated } = asked;
    const found = suspectsOf(told, group, role, { seen: seen.value, sexError, separated });
    return found
      ? done({ ...found, ...rest })
      : failed(refused('of-nobody', 'group', `It can be of none of these: none can be its ${asked.role}.`));
  });

export const kinshipAsked = ({ individuals }: KinshipRequest): Outcome<KinshipAnswer> => {
  const kin = readyPedigree(
    { characters: [] },
    individuals.map((one) => ({ ...one, phenotypes: {} })),
  );
  if (!kin.ok) return failed(...kin.problems);
  const placeOf = new Map(kin.value.flatMap(({ id }, i) => (id === undefined ? [] : [[id, i] as const])));
  const kinships = kinshipsOf(kin.value);
  const ids = individuals.map(({ id }) => id);
  return done({
    inbreeding: ids.map((id) => ({ id, f: kinships.inbreeding(placeOf.get(id)!) })),
    kinship: ids.flatMap((a, i) =>
      ids.slice(i + 1).flatMap((b): KinshipAnswer['kinship'] => {
        const phi = kinships.of(placeOf.get(a)!, placeOf.get(b)!);
        return phi > 0 ? [{ of: [a, b], phi }] : [];
      }),
    ),
  });
};
