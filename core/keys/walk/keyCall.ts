import type { KeyCall, KeyedSpecimen, BackCheck, KeyEndpoint, TrailStep } from './schema';
import { callOf, jointPosterior, posteriorOf, type Call, type Keyed } from '../../evidence';
import { type CompiledGuide, isUnder, taxonIndex } from '../../guide/working';
import type { Situation } from '../../observation';

/** What a finished walk is worth to the guide's school. A check that found nothing to agree is no check. */
export function keyedOf(trail: readonly TrailStep[], reached: KeyEndpoint, backCheck: BackCheck): Keyed {
  const doubtful = trail.find(({ forked, certainty }) => forked || certainty === 'guess');
  const decided = !doubtful && trail.length > 0;
  const against = backCheck.items.find(({ verdict }) => verdict === 'against');
  const text = doubtful
    ? `couplet ${doubtful.number} is not decided`
    : trail.length === 0
      ? 'no couplet was decided'
      : against
        ? `the described form does not fit: ${against.label.toLowerCase()}`
        : backCheck.fits
          ? `every couplet decided, and the described form fits`
          : `every couplet decided, but the described form was not checked: nothing that was read agrees with it or speaks against it`;
  return { taxon: reached.taxon, decided, fits: backCheck.fits, text };
}

/**
 * *Key*: every couplet decided and the described form fits. The other schools
 * weigh the readings as the Bench does, those that the ticks gave among them; the
 * specimens of a lot are weighed each for itself, and joined.
 */
export function keyCallOf(
  compiled: CompiledGuide | undefined,
  situation: Situation,
  specimens: readonly KeyedSpecimen[],
  trail: readonly TrailStep[],
  reached: KeyEndpoint,
  backCheck: BackCheck,
): KeyCall {
  const keyed = keyedOf(trail, reached, backCheck);
  if (!compiled) {
    const allowed = keyed.decided && keyed.fits;
    const seen = `${backCheck.agrees} ${backCheck.agrees === 1 ? 'statement' : 'statements'} seen to fit`;
    const text = allowed
      ? `By the key alone: every couplet decided, ${seen}.`
      : keyed.decided && backCheck.against === 0
        ? 'Not by the key: every couplet decided, but not one statement was ticked, so nothing was checked.'
        : `Not by the key: ${keyed.text}.`;
    return { allowed, school: 'key', text: `${text} No guide stands behind it.` };
  }
  const { school } = compiled.guide.settings.call;
  if (!taxonIndex(compiled.guide).has(reached.taxon)) {
    return { allowed: false, school, text: `${reached.name} is not in the guide, so nothing speaks for it but the key.` };
  }
  const call = callFor(compiled, situation, specimens, keyed);
  const allowed = call.kind === 'taxon' && isUnder(compiled.guide, call.taxon!, reached.taxon);
  return { allowed, school, text: call.text };
}

function callFor(compiled: CompiledGuide, situation: Situation, specimens: readonly KeyedSpecimen[], keyed: Keyed): Call {
  const read = specimens.filter(({ readings }) => readings.length > 0);
  // What to look at next, and all else that a standing says, is not asked here.
  if (read.length < 2) return callOf(compiled, posteriorOf(compiled, situation, read[0]?.readings ?? []), { keyed });
  const { full, ...rest } = jointPosterior(
    compiled,
    situation,
    read.map(({ readings }) => readings),
  );
  return callOf(compiled, full, { ...rest, keyed });
}
