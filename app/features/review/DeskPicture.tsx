import { urlOf } from '@plesion/contract';
import type { DeskRecord } from '@plesion/contract/review';
import type { Guide } from '@plesion/core/guide';
import { traitsRead } from '@plesion/core/plates';
import { useState } from 'react';
import { StyleSheet, useWindowDimensions } from 'react-native';
import { colour, radius, WIDE } from '../../theme';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Photo } from '../../ui/Photo';
import { Text } from '../../ui/Text';
import { formPlate, mainView } from '../plates/plates';
import { PlateSheet } from '../plates/PlateSheet';
import { viewLabel } from './saidParts';

/** The record's photographs one at a time; where there is none, the plate of what was read. */
export function DeskPicture({ record: { media, look, readings }, guide }: { record: DeskRecord; guide: Guide }) {
  const [chosen, choose] = useState(media.at(0)?.id);
  const screen = useWindowDimensions().width;
  const shown = media.find(({ id }) => id === chosen) ?? media.at(0);
  const width = screen >= WIDE ? 440 : Math.min(340, screen - 80);
  if (!shown) {
    const view = mainView(guide);
    const plate = formPlate(guide, look.options[0].form, view, 'full', traitsRead(guide, readings));
    if (!plate) return <Text quiet>There is no photo of it: only what is said below.</Text>;
    return (
      <PlateSheet
        plate={plate}
        width={width}
        label={`The specimen as read, ${viewLabel(guide, view)}`}
        caption="no photo: drawn as it was read"
      />
    );
  }
  return (
    <>
      <Photo
        source={{ uri: urlOf('photo', { params: { hash: shown.hash } }) }}
        resizeMode="contain"
        style={styles.photo}
        accessibilityLabel={`The ${shown.kind}, ${shown.view ? viewLabel(guide, shown.view) : 'view not said'}`}
      />
      {media.length > 1 && (
        <ChoiceGroup
          label="Photo"
          options={media.map(({ id, view }, i) => ({ id, label: view ? viewLabel(guide, view) : `photo ${i + 1}` }))}
          chosen={[shown.id]}
          onChange={([id]) => choose(id)}
        />
      )}
    </>
  );
}

const styles = StyleSheet.create({
  photo: { width: '100%', maxHeight: 440, aspectRatio: 4 / 3, borderRadius: radius.m, backgroundColor: colour.mist },
});
