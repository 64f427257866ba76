import { assess, type Keyed } from '../../evidence';
import { type CompiledGuide, isUnder, taxonIndex } from '../../guide/working';
import type { Situation } from '../../specimen';
import type { KeyedSpecimen } from './answers';
import type { BackCheck } from './backCheck';
import type { KeyEndpoint, TrailStep } from './walk';

/** May the ending be given as the name, under the guide's school? */
export interface KeyCall {
  allowed: boolean;
  school: 'weigh' | 'diagnostic' | 'key';
  text: string;
}

/** What a finished walk is worth to the guide's school. */
export function keyedOf(trail: readonly TrailStep[], reached: KeyEndpoint, backCheck: BackCheck): Keyed {
  const doubtful = trail.find(({ forked, certainty }) => forked || certainty === 'guess');
  const decided = !doubtful && trail.length > 0;
  const text = doubtful
    ? `couplet ${doubtful.number} is not decided`
    : backCheck.fits
      ? `every couplet decided, and the described form fits`
      : `the described form does not fit: ${backCheck.items.find(({ verdict }) => verdict === 'against')!.label.toLowerCase()}`;
  return { taxon: reached.taxon, decided, fits: backCheck.fits, text };
}

/**
 * *Key*: every couplet decided and the described form fits. The other schools
 * weigh the readings as the Bench does, those that the ticks gave among them.
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
    return {
      allowed,
      school: 'key',
      text: `${allowed ? 'By the key alone' : 'Not by the key'}: ${keyed.text}. No guide stands behind it.`,
    };
  }
  const { school } = compiled.guide.settings.call;
  if (!taxonIndex(compiled.guide).has(reached.taxon)) {
    return { allowed: false, school, text: `${reached.name} is not in the guide, so nothing speaks for it but the key.` };
  }
  const { call } = assess(
    compiled,
    situation,
    specimens.flatMap(({ readings }) => readings),
    undefined,
    keyed,
  );
  const allowed = call.kind === 'taxon' && isUnder(compiled.guide, call.taxon!, reached.taxon);
  return { allowed, school, text: call.text };
}
