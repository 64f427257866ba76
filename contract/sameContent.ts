import { stableJson } from '@plesion/core';
import type { z } from 'zod';
import type { SpecimenWrite } from './specimens';

type Content = Omit<z.output<typeof SpecimenWrite>, 'version'>;

/**
 * Do two writes of a specimen hold the same? Then one of them came twice. Names
 * are told by their ids alone: the server signs them anew.
 */
export function sameContent(a: Content, b: Content): boolean {
  const content = ({ determinations, ...rest }: Content) => {
    const { guideId, individualId, label, situation, readings, judgement, walk, photo, media, hidden } = rest;
    return stableJson({
      guideId,
      individualId,
      label,
      situation,
      readings,
      judgement,
      walk,
      photo,
      media: media ?? [],
      hidden,
      determinations: determinations.map(({ id }) => id),
    });
  };
  return content(a) === content(b);
}
