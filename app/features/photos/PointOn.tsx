import { useRef, useState } from 'react';
import { type View } from 'react-native';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Stack } from '../../ui/Stack';
import { AimedPhoto, PhotoPin } from './AimedPhoto';

/** Something that can be pointed at: what its choice says, and where it is if it was. */
export interface Pointable {
  id: string;
  choice: string;
  at?: { x: number; y: number };
  /** What stands in its pin, and what that is to those who cannot see it. */
  mark: number;
  pinned: string;
}

interface Props {
  uri: string;
  /** What the photo is; what is to be done once one of them is chosen; and what can be chosen. */
  label: string;
  aim: (chosen: Pointable) => string;
  choose: string;
  items: readonly Pointable[];
  /** Where it shows; undefined takes it off the photo again. */
  onPoint: (id: string, at: Pointable['at']) => void;
}

/** A photo with things pointed at: choose one, then press where it shows, or go there by keys; one that is pointed at is taken off. */
export function PointOn({ uri, label, aim, choose, items, onPoint }: Props) {
  const [wanted, setWanted] = useState<string>();
  const photo = useRef<View>(null);
  const chosen = items.find(({ id }) => id === wanted);
  return (
    <Stack>
      <AimedPhoto
        ref={photo}
        uri={uri}
        label={chosen ? aim(chosen) : label}
        aiming={chosen !== undefined}
        onPut={(x, y) => {
          if (!chosen) return;
          onPoint(chosen.id, { x, y });
          setWanted(undefined);
        }}
        onCancel={() => setWanted(undefined)}
      >
        {items.map(({ id, at, mark, pinned }) =>
          at ? <PhotoPin key={id} x={at.x} y={at.y} mark={mark} label={pinned} /> : null,
        )}
      </AimedPhoto>
      {items.length > 0 && (
        <ChoiceGroup
          label={choose}
          clearable
          options={items.map(({ id, choice }) => ({ id, label: choice }))}
          chosen={chosen ? [chosen.id] : []}
          onChange={([id]) => {
            if (id !== undefined && items.find((one) => one.id === id)?.at) return onPoint(id, undefined);
            setWanted(id);
            // The keys aim on the photo itself.
            if (id !== undefined) photo.current?.focus();
          }}
        />
      )}
    </Stack>
  );
}
