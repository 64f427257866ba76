import type { PlateQuery } from '@plesion/contract';
import { tellingCharacters, usualCircumstances } from '@plesion/core/book';
import { compileGuide, sayFacets } from '@plesion/core/guide';
import { traitsOf } from '@plesion/core/plates';
import { planOf } from '@plesion/core/plates/plans';
import { nameParts } from '@plesion/core/specimen';
import type { Em } from '../database/orm';
import { findGuide } from '../guides/service';
import { badRequest } from '../http/errors';
import { printPng, printSvg } from '../print/print';
import { layPlate } from './layout';

/** Characters that a plate has room for. */
const MOST = 6;

/** One plate of a form, laid out with its name, its scale and its characters. */
export async function plateOf(em: Em, stationId: string, guideId: string, { form, view, as, characters }: PlateQuery) {
  const { guide, slug } = await findGuide(em, stationId, guideId);
  const plan = planOf(guide);
  if (!plan) throw refused('guide', 'no-plates', 'This guide has no body plan: none of its forms can be drawn.');
  if (!plan.views.includes(view))
    throw refused('view', 'unknown-view', `There is no view “${view}”. Ask for one of: ${plan.views.join(', ')}.`);
  const compiled = compileGuide(guide, { circumstances: usualCircumstances(guide) });
  const at = compiled.forms.findIndex(({ id }) => id === form);
  if (at < 0) throw refused('form', 'unknown-form', `There is no form “${form}” in this guide.`);
  const traits = traitsOf(compiled, at);
  if (plan.shows?.(traits, view) === false)
    throw refused(
      'view',
      'not-shown',
      `A form that is ${sayFacets(guide, compiled.forms[at].facets)} has nothing to draw there.`,
    );
  const { taxon, facets } = compiled.forms[at];
  const page = layPlate({
    plate: plan.draw(traits, view, 'full'),
    title: nameParts(guide, { qualifier: 'none', taxon }),
    caption: [sayFacets(guide, facets), guide.views.find(({ id }) => id === view)?.label].filter(Boolean).join(' · '),
    characters: characters
      ? tellingCharacters(compiled, at, 40)
          .filter((character) => character.view === view)
          .slice(0, MOST)
      : [],
  });
  return {
    name: `${slug}-${form}-${view}`.replace(/[^\w-]+/g, '-'),
    content: as === 'svg' ? printSvg(page) : await printPng(page),
  };
}

const refused = (field: string, code: string, message: string) => badRequest([{ field, code, message }]);
