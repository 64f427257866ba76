import type { BlindRecord as Record } from '@plesion/contract/opinions';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { colour, radius, space } from '../../theme';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Notice } from '../../ui/Notice';
import { Photo } from '../../ui/Photo';
import { Text } from '../../ui/Text';
import { saySituation } from '../records/situationText';

interface BlindRecordProps {
  record: Record;
  photoUrl: (hash: string) => string;
}

/** Picture and situation of what one is asked of. */
export function BlindRecord({ record: { by, question, media, situation, guide }, photoUrl }: BlindRecordProps) {
  const [chosen, choose] = useState<string>();
  const shown = media.find(({ id }) => id === chosen) ?? media.at(0);
  const viewOf = (view: string | undefined) => guide.guide.views.find(({ id }) => id === view)?.label;
  return (
    <>
      <Text>{question ? `${by} asks: ${question}` : `${by} asks what you make of this.`}</Text>
      <Card title={guide.title} aside={shown?.credit}>
        {shown ? (
          <Photo
            source={{ uri: photoUrl(shown.hash) }}
            resizeMode="contain"
            style={styles.photo}
            accessibilityLabel={`The photo, ${viewOf(shown.view) ?? 'view not said'}`}
          />
        ) : (
          <Text quiet>There is no photo of it: only what is said below.</Text>
        )}
        {media.length > 1 && (
          <ChoiceGroup
            label="Photo"
            options={media.map(({ id, view }, i) => ({ id, label: viewOf(view) ?? `photo ${i + 1}` }))}
            chosen={shown ? [shown.id] : []}
            onChange={([next]) => choose(next)}
          />
        )}
        <View>
          <Text size="small" quiet>
            {saySituation(situation, guide.guide) || 'Nothing is said of where and when.'}
          </Text>
        </View>
      </Card>
      <Notice kind="caution" title="An opinion is not a promise">
        {guide.guide.caution}
      </Notice>
    </>
  );
}

const styles = StyleSheet.create({
  photo: {
    width: '100%',
    maxHeight: 460,
    aspectRatio: 4 / 3,
    borderRadius: radius.m,
    backgroundColor: colour.mist,
    marginBottom: space.s,
  },
});
