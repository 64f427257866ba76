import type { CompiledGuide } from '@plesion/core/guide';
import { beyond, type Beyond, type Measured } from '@plesion/core/measure';

/** A value that none of the guide's forms is known to have: how far out it is of the nearest, and which that is. */
export function outsideAll(
  compiled: CompiledGuide,
  character: string,
  { value, sd }: Measured,
): (Beyond & { form: string }) | undefined {
  const table = compiled.tables.get(character);
  if (table?.type !== 'values') return undefined;
  let nearest: (Beyond & { form: string }) | undefined;
  for (const [f, { id }] of compiled.forms.entries()) {
    const [mean, spread] = [table.mean[f], table.sd[f]];
    if (!Number.isFinite(mean) || !(spread > 0)) continue;
    if (table.log && value <= 0) continue;
    const found = table.log ? beyond(Math.log(value), sd / value, mean, spread) : beyond(value, sd, mean, spread);
    if (!found) return undefined;
    if (!nearest || Math.abs(found.z) < Math.abs(nearest.z)) nearest = { ...found, form: id };
  }
  return nearest;
}

/** "Above everything known: of the nearest form one in 740 would be as large. Measure it again." */
export const sayOutside = ({ side, oneIn, again }: Beyond): string =>
  `${side === 'above' ? 'Above' : 'Below'} everything that this guide knows: of the nearest form about one in ${
    oneIn > 9999 ? 'more than 10 000' : Math.round(oneIn)
  } would be as ${side === 'above' ? 'large' : 'small'}. ${
    again ? 'Measure it again; if it stays, it is worth a note as a possible record.' : 'Measure it again to be sure.'
  }`;
