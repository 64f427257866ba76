import { type SpecimenWrite, urlOf } from '@plesion/contract';
import type { Guide } from '@plesion/core/guide';
import { describePhoto, type KeptPhoto, photosOf, withoutPhoto, withPhoto, withTop } from '@plesion/core/specimen';
import { useState } from 'react';
import { v7 as mintId } from 'uuid';
import { factsOf, type PhotoFacts } from '../../lib/photoFacts';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Disclosure } from '../../ui/Disclosure';
import { Row } from '../../ui/Row';
import { AddPhotos } from './AddPhotos';
import { FactsNotice } from './FactsNotice';
import { PhotoStrip } from './PhotoStrip';
import { PhotoWords } from './PhotoWords';
import { PointedPhoto } from './PointedPhoto';
import { SendingPhotos } from './SendingPhotos';

interface PhotosSheetProps {
  id: string;
  /** The photo that was asked for. */
  first?: string;
  content: SpecimenWrite;
  onChange: (next: (content: SpecimenWrite) => SpecimenWrite) => void;
  /** Absent for a specimen without one: nothing can be pointed at then. */
  guide?: Guide;
  /** Lay a photo beside a plate or another one. */
  onBeside?: (hash: string) => void;
}

/** The photos of a specimen, with what each shows, whose it is, and what it says of when and where it was taken. */
export function PhotosSheet({ id, first, content, onChange, guide, onBeside }: PhotosSheetProps) {
  const photos = photosOf(content);
  const [chosen, choose] = useState(first);
  const [facts, setFacts] = useState<PhotoFacts>();
  const shown = photos.find(({ hash }) => hash === chosen) ?? photos.at(0);
  const viewOf = ({ view }: KeptPhoto) => guide?.views.find(({ id }) => id === view)?.label;
  const add = (hash: string, file: File) => {
    onChange((now) => withPhoto(now, hash, mintId()));
    choose(hash);
    void factsOf(file).then(setFacts);
  };
  const takeOff = (hash: string) => {
    onChange((now) => withoutPhoto(now, hash));
    choose(undefined);
  };
  return (
    <Card title="Photos" aside={photos.length > 1 ? `${photos.length}` : undefined}>
      {shown && (
        <>
          <PointedPhoto
            key={shown.hash}
            hash={shown.hash}
            top={shown.hash === content.photo}
            guide={guide}
            readings={content.readings}
            onPoint={(index, at) =>
              onChange((now) => ({ ...now, readings: now.readings.map((r, i) => (i === index ? { ...r, at } : r)) }))
            }
          />
          <PhotoStrip photos={photos} shown={shown.hash} sayView={viewOf} onChoose={choose} />
          <Disclosure title="What it shows, and whose it is">
            <PhotoWords
              key={shown.hash}
              photo={shown}
              views={guide?.views ?? []}
              onSay={(said) => onChange((now) => describePhoto(now, said, mintId()))}
            />
          </Disclosure>
          <Row>
            {onBeside && <Button small label="Side by side" onPress={() => onBeside(shown.hash)} />}
            {shown.hash !== content.photo && (
              <Button small label="Show it first" onPress={() => onChange((now) => withTop(now, shown.hash, mintId()))} />
            )}
            <Button
              small
              kind="quiet"
              label="Marks as SVG"
              hint="Marks as SVG: the photo with what was pointed at and measured on it, as a file"
              onPress={() => window.open(urlOf('markedPhoto', { params: { id, hash: shown.hash } }), '_blank')}
            />
            <Button small kind="quiet" label="Remove the photo" onPress={() => takeOff(shown.hash)} />
          </Row>
        </>
      )}
      <SendingPhotos photos={photos} onStop={takeOff} />
      <AddPhotos has={photos.length > 0} onPhoto={add} />
      {facts && (
        <FactsNotice
          facts={facts}
          situation={content.situation}
          onUse={(part) => onChange((now) => ({ ...now, situation: { ...now.situation, ...part } }))}
          onClose={() => setFacts(undefined)}
        />
      )}
    </Card>
  );
}
