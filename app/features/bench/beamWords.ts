import { type Standing, inHundred } from '@plesion/core/evidence';

/** "Elytra: 1.2 bits for H. sodalis". */
export const saySide = (answer: Standing, bits: number, what: string): string =>
  `${what}: ${Math.abs(bits).toFixed(1)} bits for ${bits > 0 ? answer.beam.left.label : answer.beam.right.label}`;

/** The beam for those who do not see it: who is weighed against whom, how it leans, and how far it may be told. */
export function sayBeam(answer: Standing): string {
  const { left, right, sum } = answer.beam;
  return saySide(answer, sum, `Beam between ${left.label}, ${inHundred(left.p)}, and ${right.label}, ${inHundred(right.p)}`);
}
