import { frameShot } from '@plesion/core/camera';
import { compiledFor, type Figure, type Guide } from '@plesion/core/guide';
import type { Plan } from '@plesion/core/plates';
import { planOf } from '@plesion/core/plates/plans';
import { photograph } from '../camera/photograph';
import type { Em } from '../database/orm';
import type { FileStore } from '../files/store';
import { addPhoto } from '../photos/service';
import type { Counted } from '../station/quota';

interface Taken {
  form: string;
  credit: string;
  caption: string;
  /** Characters that are pointed at. */
  pins: string[];
}

/** Which forms of a guide the field camera was held at, in which view, and whose the pictures are. */
const TAKEN: Record<string, { view: string; taken: Taken[] }> = {
  'tessary-terns': {
    view: 'perched',
    taken: [
      {
        ...{ form: 'sodalis/adult.breeding', credit: 'Mira Hallin', pins: ['tail-reach', 'leg-ratio'] },
        caption: 'In the colony on Long Spit, before the eggs were laid: the tail ends with the wings.',
      },
      {
        ...{ form: 'consors/adult.breeding', credit: 'Corin Thale', pins: ['tail-reach', 'leg-ratio'] },
        caption: 'The same evening, two posts further: the tail reaches beyond the wings, on shorter legs.',
      },
      {
        ...{ form: 'furtiva/adult.breeding', credit: 'Corin Thale', pins: ['bill-shape', 'leg-ratio'] },
        caption: 'A guest among ring terns. The bill is deep, and angled below.',
      },
    ],
  },
};

/** A guide of the demo with the photographs that are in it; as it is where none are. */
export async function withDemoFigures(em: Em, files: FileStore, counted: Counted, guide: Guide): Promise<Guide> {
  const plan = planOf(guide);
  const { view, taken } = TAKEN[guide.id] ?? { view: '', taken: [] };
  if (!plan || taken.length === 0) return guide;
  const figures: Figure[] = [];
  for (const one of taken) figures.push(await figureOf(em, files, counted, guide, plan, view, one));
  return { ...guide, figures };
}

async function figureOf(
  em: Em,
  files: FileStore,
  counted: Counted,
  guide: Guide,
  plan: Plan,
  view: string,
  { form, credit, caption, pins }: Taken,
): Promise<Figure> {
  const compiled = compiledFor(guide, {});
  const { taxon, facets } = compiled.forms.find(({ id }) => id === form)!;
  const shot = { form, view, distance: 'hand' as const };
  const framed = frameShot(compiled, plan, shot, form);
  const photo = await addPhoto(em, files, counted, await photograph(framed, guide.plan!, shot, form));
  // The camera stands straight before it: the middle of the drawing is the middle of the picture.
  const { box, parts } = plan.draw(framed.truth.traits, view, 'full');
  const share = (mm: number, middle: number, pixels: number) => 0.5 + (mm - middle) / framed.truth.mmPerPixel / pixels;
  return {
    ...{ id: form.replace(/[^a-z]+/g, '-'), photo: photo.hash, width: photo.width, height: photo.height, taxon, view },
    facets: Object.fromEntries(Object.entries(facets).map(([name, state]) => [name, [state]])),
    ...{ credit, licence: 'CC-BY-4.0', caption },
    pins: pins.flatMap((character) => {
      const part = parts[guide.characters.find(({ id }) => id === character)?.plate?.part ?? ''];
      if (!part) return [];
      return {
        character,
        x: share(part.x + part.width / 2, box.x + box.width / 2, framed.width),
        y: share(part.y + part.height / 2, box.y + box.height / 2, framed.height),
      };
    }),
  };
}
