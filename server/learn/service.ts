import { randomBytes } from 'node:crypto';
import type { LearnAnswer } from '@plesion/contract';
import { formsOf, type Guide, taxonIndex, sayFacets } from '@plesion/core/guide';
import { addGuide } from '../guides/service';
import { badRequest } from '../http/errors';
import type { JobKinds } from '../jobs/kinds';
import type { LearnPool } from './pool';

/** Learn a guide in a thread, store it in the station, and say what it is worth. Nothing is stored when it fails. */
export const learnKind = (pool: LearnPool): JobKinds['learn'] => ({
  async work(_em, writer, asked, { signal, onProgress }) {
    const outcome = await pool.run({ id: slugOf(asked.title), ...asked }, signal, (share) => onProgress(share * 0.97));
    if (!outcome.ok) throw badRequest(outcome.problems);
    const { guide, problems, leftOut } = outcome.value;
    return async (tx): Promise<LearnAnswer> => ({
      guideId: (await addGuide(tx, writer, guide)).id,
      forms: formList(guide),
      characters: guide.characters.map(({ id, label, kind }) => ({ id, label, kind })),
      crossValidation: guide.learned!.crossValidation,
      ratios: guide.learned!.ratios,
      choice: guide.learned!.choice,
      problems,
      leftOut,
    });
  },
});

/** A guide of its own every time: the same title may be given to another table. */
const slugOf = (title: string) =>
  `${
    title
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .slice(0, 60) || 'learned'
  }-${randomBytes(3).toString('hex')}`;

function formList(guide: Guide): LearnAnswer['forms'] {
  const taxa = taxonIndex(guide);
  return formsOf(guide).map((form) => {
    const taxon = taxa.get(form.taxon)!;
    const facets = sayFacets(guide, form.facets);
    return {
      form: form.id,
      taxon: form.taxon,
      name: facets ? `${taxon.name}, ${facets}` : taxon.name,
      facets: form.facets,
      n: Math.round(taxon.abundance * form.share),
    };
  });
}
