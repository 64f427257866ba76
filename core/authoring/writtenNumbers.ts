import { unitFactor, unitOf } from '../keys/units';
import { done, failed, type Outcome } from '../problem';
import type { DraftCharacter } from './draftSchema';

const WITH_UNIT = /^(.*[\d)])\s*([\p{L}µ°%]+)$/u;
/** A mean with its deviation, and of how many: `12 ±1.5 (n 14)`. */
export const MEAN = /^(-?\d+(?:\.\d+)?)\s*(?:±|\+-|\+\/-)\s*(\d+(?:\.\d+)?)(?:\s*\(n\s*=?\s*(\d+)\))?$/i;
export const ONE_NUMBER = /^-?\d+(?:\.\d+)?$/;
const NUMBER = /\d+(?:\.\d+)?/g;

/**
 * What is measured as the grid writes it: decimal points for decimal commas (`4,5–6`), numbers in the character's own
 * unit where another of the same kind stands behind them (`0.5 cm`), and no unit.
 *
 * @returns the text; or `cell-unreadable` where a comma may part thousands, or the unit is of something else.
 */
export function writtenNumbers({ label, unit }: Pick<DraftCharacter, 'label' | 'unit'>, text: string): Outcome<string> {
  const [, number, written] = WITH_UNIT.exec(text) ?? [undefined, text, undefined];
  const unclear = number.includes('.') ? null : /(?<!\d)[1-9]\d{0,2},\d{3}(?!\d)/.exec(number);
  if (unclear || (number.includes('.') && /\d,\d/.test(number)))
    return failed({
      code: 'cell-unreadable',
      message: `This cannot be read: the comma of “${unclear?.[0] ?? number}” may part thousands or decimals. Write 1234 or 1.234.`,
    });
  const pointed = number.replace(/(\d),(\d)/g, '$1.$2');
  if (written === undefined) return done(pointed);
  const factor = unitFactor(unitOf(written), unit);
  if (factor === undefined)
    return failed({
      code: 'cell-unreadable',
      message: `This cannot be read: “${written}” is not what “${label}” is measured in${unit ? `, which is ${unit}` : ': it has no unit'}.`,
    });
  return done(factor === 1 ? pointed : pointed.replace(NUMBER, (one) => String(Number((Number(one) * factor).toPrecision(12)))));
}
