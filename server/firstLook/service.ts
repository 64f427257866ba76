import { randomUUID } from 'node:crypto';
import type { Specimen } from '@plesion/contract';
import { seeded } from '@plesion/core/probability';
import { compileGuide } from '@plesion/core/guide';
import { traitsOf } from '@plesion/core/plates';
import { planOf } from '@plesion/core/plates/plans';
import { terns } from '@plesion/demo';
import { GuideEntity, SpecimenEntity } from '../database/entities';
import type { Em } from '../database/orm';
import { notFound } from '../http/errors';
import type { Caller } from '../http/route';
import { addPhoto } from '../photos/service';
import { findSpecimen, writeSpecimen } from '../specimens/service';
import type { Parts } from '../parts';
import { photograph } from './camera';

/** How the specimen is known again: a station has it once. */
const LABEL = 'Pier tern';

/** Who it truly is stays with the camera: an adult ring tern in breeding dress. */
const TRUTH = 'sodalis/adult.breeding';

let picture: Promise<Buffer> | undefined;

function takePicture(): Promise<Buffer> {
  const compiled = compileGuide(terns);
  const form = compiled.forms.findIndex(({ id }) => id === TRUTH);
  const traits = {
    ...traitsOf(compiled, form, seeded('pier tern')),
    cap: 'full',
    'bill-tip': 'dark',
    'bill-colour': 'red',
    'tail-reach': 'level',
    moult: 'none',
  };
  return photograph(planOf(terns)!.draw(traits, 'perched', 'full'), LABEL);
}

/**
 * A photographed tern for whoever has not used Plesion before: in the station's
 * daybook, unread. Asked again, the same specimen is given.
 */
export async function putFirstLook(
  em: Em,
  { files, weighing }: Pick<Parts, 'files' | 'weighing'>,
  caller: Caller,
  id: string = randomUUID(),
): Promise<Specimen> {
  const { stationId } = caller;
  const known = await em.findOne(SpecimenEntity, { stationId, label: LABEL, hidden: false }, { fields: ['id'] });
  if (known) return findSpecimen(em, stationId, known.id);
  const guide = await em.findOne(GuideEntity, { stationId, slug: terns.id }, { fields: ['id'] });
  if (!guide) throw notFound('guide of the terns');
  picture ??= takePicture();
  const { hash } = await addPhoto(em, files, caller, await picture);
  return writeSpecimen(em, weighing, caller, id, {
    version: 0,
    guideId: guide.id,
    label: LABEL,
    situation: {
      subject: 'photograph',
      views: ['perched'],
      distance: 'near',
      light: 'fair',
      handling: 'look',
      place: 'Quell Harbour, pier rail',
      region: 'main-shore',
      habitat: 'harbour',
      date: '2026-06-14',
    },
    readings: [],
    determinations: [],
    photo: hash,
    hidden: false,
  });
}
