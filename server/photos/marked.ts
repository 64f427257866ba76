import { markedPhotoSvg } from '@plesion/core/formats';
import { sayMeasured, sayReading } from '@plesion/core/observation';
import { photosOf } from '@plesion/core/specimen';
import type { Em } from '../database/orm';
import type { FileStore } from '../files/store';
import { findGuide } from '../guides/service';
import { notFound } from '../http/errors';
import { listMeasurements } from '../measure/service';
import { findSpecimen } from '../specimens/service';
import { findPhoto, photoSize } from './service';

/** A photo of a specimen with its pins and what was measured on it, as SVG; without the place it was taken at. */
export async function markedPhoto(em: Em, files: FileStore, stationId: string, id: string, hash: string): Promise<string> {
  const specimen = await findSpecimen(em, stationId, id);
  const photo = photosOf(specimen).find((one) => one.hash === hash);
  if (!photo) throw notFound('photo');
  const { guideId, guideVersion, readings } = specimen;
  const guide = guideId === undefined ? undefined : (await findGuide(em, stationId, guideId, guideVersion)).guide;
  const whole = await findPhoto(em, files, stationId, hash, 'whole');
  const size = await photoSize(em, stationId, hash);
  const characterOf = (character: string) => guide?.characters.find((one) => one.id === character);
  const pins = readings.flatMap((reading) => {
    const { at } = reading;
    const character = characterOf(reading.character);
    if (!at || !character || (at.photo ?? specimen.photo) !== hash) return [];
    return [{ at, says: `${character.label}: ${sayReading(character, reading)}` }];
  });
  const measured = (await listMeasurements(em, stationId, { specimenId: id })).flatMap((one) =>
    one.photo === hash && one.size
      ? [
          {
            quantity: one.protocol.quantity,
            set: one.sets[0],
            size: one.size,
            says: `${characterOf(one.character)?.label ?? one.character}: ${sayMeasured(characterOf(one.character), one.value)}, by ${one.by}`,
          },
        ]
      : [],
  );
  return markedPhotoSvg({
    href: `data:image/jpeg;base64,${whole.toString('base64')}`,
    ...size,
    title: `${specimen.label || 'Specimen'}: ${specimen.summary.text}`,
    ...(photo.credit ? { credit: photo.credit } : {}),
    pins,
    measured,
  });
}
