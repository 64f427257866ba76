import type { Thread } from '@plesion/contract/conversations';
import { useState } from 'react';
import { View } from 'react-native';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { AimedPhoto } from '../photos/AimedPhoto';
import { usePhotoUri } from '../photos/usePhotoUri';
import { Mark } from './Marks';

interface TalkedPhotosProps {
  photos: readonly string[];
  threads: readonly Thread[];
  numbers: ReadonlyMap<string, number>;
}

/** The photos that are spoken of, with the numbers of what is said where; nothing where none is. */
export function TalkedPhotos({ photos, threads, numbers }: TalkedPhotosProps) {
  const [chosen, choose] = useState<string>();
  const spoken = photos.filter((hash) => threads.some(({ place }) => place?.photo === hash));
  const shown = spoken.find((hash) => hash === chosen) ?? spoken.at(0);
  if (!shown) return null;
  return (
    <View>
      <Talked hash={shown} threads={threads.filter(({ place }) => place?.photo === shown)} numbers={numbers} />
      {spoken.length > 1 && (
        <ChoiceGroup
          label="Photo that is spoken of"
          options={spoken.map((hash) => ({ id: hash, label: `photo ${photos.indexOf(hash) + 1}` }))}
          chosen={[shown]}
          onChange={([hash]) => choose(hash)}
        />
      )}
    </View>
  );
}

function Talked({ hash, threads, numbers }: { hash: string } & Omit<TalkedPhotosProps, 'photos'>) {
  return (
    <AimedPhoto uri={usePhotoUri(hash)} label="Photo that is spoken of" aiming={false} onPut={nothing} onCancel={nothing}>
      {(shape) =>
        threads.map(({ id, place, remarks: [first] }) => {
          const number = numbers.get(id)!;
          return (
            place && (
              <Mark key={id} place={place} shape={shape} mark={number} label={`${number}: ${first.text ?? 'taken back'}`} />
            )
          );
        })
      }
    </AimedPhoto>
  );
}

const nothing = () => undefined;
