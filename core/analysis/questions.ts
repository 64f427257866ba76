import {
  carryOver,
  type CarriedOver,
  type Draft,
  guideFromKeys,
  type KeyGuide,
  type KeyGuideChoices,
  type LookedOver,
  type Mistaken,
  type PackedDraft,
  unpacked,
} from '../authoring';
import { lookOver } from '../authoring/lookOver';
import { compareForms, type Comparison } from '../compare';
import type { Standing } from '../evidence';
import { compiledFor, type Guide, guideByHash, type Judgement, knownGuide } from '../guide/working';
import {
  crossAsked,
  kinshipAsked,
  pairsAsked,
  posteriorAsked,
  proofAsked,
  reasonsAsked,
  simulateAsked,
  suspectsAsked,
  unlikelyAsked,
} from '../heredity';
import type {
  CrossAnswer,
  CrossRequest,
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
} from '../heredity/schema';
import { type Key, type Walk, walkKey, type WalkRequest } from '../keys';
import { type CheckedKey, checkKey, type KeyFormat, type KeySource, readKeyIn, type ReadIn, writeKeyOut } from '../keys/exchange';
import type { Reading, Situation } from '../observation';
import type { Outcome } from '../problem';
import { type Call, type Called, judge, type Judged, type Overturned, returningOf } from '../verification';
import { type Analysis, analyse } from './analyse';
import type { Pooled } from '../opinions';
import { type Chart, type ChartKin, chartOf } from '../pedigree';
import { asBooksSay, type OwnCell, ownCells, type VerifiedRecord } from '../own';
import { type Look, lookAt, type Named } from '../review';
import { namesBy, type NamedBy, type ToName } from './namesBy';
import { moreRepeats, type MoreRepeats } from './moreRepeats';
import type { Reply, Request } from './ask';
import { pooled } from './pooled';
import { type Sexing, type SexingAsked, sexingOf } from './sexing';

/** Everything that can be asked of a guide, and what it gives: one table for the worker, the server's threads and pages. */
export interface Questions {
  /** How a specimen stands. */
  standing: { asks: Omit<Analysis, 'guide'>; gives: Standing };
  /** Whether it is the measuring error that keeps a name open. */
  moreRepeats: { asks: Omit<Analysis, 'guide'> & { times?: Readonly<Record<number, number>> }; gives: MoreRepeats[] };
  /** Two to four forms side by side. */
  comparison: { asks: { forms: readonly string[]; situation?: Situation; judgement?: Judgement }; gives: Comparison };
  /** Calls against what they turned out to be; nothing where the outcome does not go as far. */
  judge: {
    asks: { calls: readonly (Call & { judgement?: Judgement; truth: Called; after: readonly Reading[] })[] };
    gives: (Judged | undefined)[];
  };
  /** Overturned calls whose pattern returns. */
  returning: { asks: Omit<Analysis, 'guide'> & { overturned: readonly Overturned[] }; gives: Overturned[] };
  /** What the station's own verified records say of the guide's scores. */
  own: { asks: { records: readonly VerifiedRecord[]; weight: number }; gives: OwnCell[] };
  /** What a reviewer has before them of each named record. */
  look: { asks: { records: readonly (Named & { judgement?: Judgement })[] }; gives: Look[] };
  /** What several people read of one thing, weighed as far as they err together. */
  pooled: { asks: Omit<Analysis, 'guide'> & { correlation: number }; gives: Pick<Pooled, 'text' | 'taxa'> };
  /** How a walk through a key stands; the guide behind the key may be absent. */
  walk: { asks: Omit<WalkRequest, 'compiled'> & { judgement?: Judgement }; gives: Walk };
  /** A key read in, and tied to the guide where there is one. */
  readKey: { asks: KeySource; gives: Outcome<ReadIn> };
  /** A guide that keys make. */
  guideFromKeys: { asks: { id: string; keys: readonly Key[]; choices: KeyGuideChoices }; gives: Outcome<KeyGuide> };
  /** What a draft of a guide says back. */
  lookOver: { asks: { draft: PackedDraft; mistaken: Mistaken[] }; gives: LookedOver };
  /** What a newer version changed, carried over to a draft that goes on from an older one. */
  carryOver: { asks: { base: Draft; ours: Draft; theirs: Draft }; gives: CarriedOver };
  /** What a version of a guide calls records. */
  names: { asks: { records: readonly ToName[] }; gives: NamedBy[] };
  /** What is wrong with a key. */
  checkKey: { asks: { key: Key }; gives: CheckedKey };
  /** Of a pedigree and a model of heredity: what each individual carries, what two would have, and so on. */
  posterior: { asks: PosteriorRequest; gives: Outcome<PosteriorAnswer> };
  cross: { asks: CrossRequest; gives: Outcome<CrossAnswer> };
  pairs: { asks: PairsRequest; gives: Outcome<PairsAnswer> };
  proof: { asks: ProofRequest; gives: Outcome<ProofAnswer> };
  reasons: { asks: ReasonsRequest; gives: Outcome<ReasonsAnswer> };
  simulate: { asks: SimulateRequest; gives: Outcome<SimulateAnswer> };
  suspects: { asks: SuspectsRequest; gives: Outcome<SuspectsAnswer> };
  unlikely: { asks: UnlikelyRequest; gives: Outcome<UnlikelyAnswer> };
  kinship: { asks: KinshipRequest; gives: Outcome<KinshipAnswer> };
  /** Of which sex an individual is by its marks, as its strain has them; nothing where the guide does not tell the sexes apart. */
  sexing: { asks: SexingAsked; gives: Sexing | undefined };
  /** Where everybody of a pedigree is drawn. */
  chart: { asks: { kin: readonly ChartKin[] }; gives: Chart };
  /** A key written out. */
  writeKey: { asks: { key: Key; format: KeyFormat }; gives: string };
}

export type QuestionName = keyof Questions;

const answers: { [N in QuestionName]: (guide: Guide | undefined, asked: Questions[N]['asks']) => Questions[N]['gives'] } = {
  standing: (guide, asked) => analyse({ ...asked, guide: guide! }),
  moreRepeats: (guide, { times, ...asked }) => moreRepeats({ ...asked, guide: guide! }, times),
  comparison: (guide, { forms, situation, judgement }) =>
    compareForms(compiledFor(guide!, situation, judgement), forms, situation),
  judge: (guide, { calls }) =>
    calls.map(({ judgement, truth, after, ...call }) =>
      judge(compiledFor(guide!, call.situation, judgement), call, truth, after),
    ),
  returning: (guide, { situation, judgement, readings, overturned }) =>
    returningOf(compiledFor(guide!, situation, judgement), situation, readings, overturned),
  own: (guide, { records, weight }) => ownCells(compiledFor(asBooksSay(guide!), {}), records, weight),
  look: (guide, { records }) =>
    records.map(({ judgement, ...named }) => lookAt(compiledFor(guide!, named.situation, judgement), named)),
  pooled: (guide, { correlation, ...asked }) => pooled({ ...asked, guide: guide! }, correlation),
  walk: (guide, { judgement, ...asked }) =>
    walkKey({ ...asked, ...(guide ? { compiled: compiledFor(guide, asked.situation, judgement) } : {}) }),
  readKey: (guide, source) => readKeyIn(source, guide),
  guideFromKeys: (_, { id, keys, choices }) => guideFromKeys(id, keys, choices),
  lookOver: (_, { draft, mistaken }) => lookOver(unpacked(draft), mistaken),
  carryOver: (_, { base, ours, theirs }) => carryOver(base, ours, theirs),
  names: (guide, { records }) => namesBy(guide!, records),
  checkKey: (guide, { key }) => checkKey(key, guide),
  posterior: (_, asked) => posteriorAsked(asked),
  cross: (_, asked) => crossAsked(asked),
  pairs: (_, asked) => pairsAsked(asked),
  proof: (_, asked) => proofAsked(asked),
  reasons: (_, asked) => reasonsAsked(asked),
  simulate: (_, asked) => simulateAsked(asked),
  suspects: (_, asked) => suspectsAsked(asked),
  unlikely: (_, asked) => unlikelyAsked(asked),
  kinship: (_, asked) => kinshipAsked(asked),
  sexing: (guide, asked) => sexingOf(guide!, asked),
  chart: (_, { kin }) => chartOf(kin),
  writeKey: (_, { key, format }) => writeKeyOut(key, format),
};

/**
 * Answer a question in a worker. The same function runs in the browser's worker and
 * in the server's threads; one that does not know the guide says so, and is then
 * sent it once.
 */
export function reply<N extends QuestionName>({ name, asked, hash, guide: given }: Request<N>): Reply<N> {
  const guide = hash === undefined ? undefined : given ? knownGuide(hash, given) : guideByHash(hash);
  if (hash !== undefined && !guide) return { known: false };
  return { known: true, answer: answers[name](guide, asked) };
}
