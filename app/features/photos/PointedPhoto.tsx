import type { Reading } from '@plesion/core/observation';
import type { Guide } from '@plesion/core/guide';
import { useEffect, useState } from 'react';
import { Image, Pressable, StyleSheet, View } from 'react-native';
import { Photo } from '../../ui/Photo';
import { pressedAt } from '../../lib/pressedAt';
import { colour, radius, space } from '../../theme';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Text } from '../../ui/Text';
import { usePhotoUri } from './usePhotoUri';

interface PointedPhotoProps {
  hash: string;
  /** Is it the one on top? What was pointed at without naming a photo is on that one. */
  top: boolean;
  guide?: Guide;
  readings: readonly Reading[];
  /** Where a reading shows; undefined takes it off the photo again. */
  onPoint: (reading: number, at: Reading['at']) => void;
}

/** The photo with the characters that were read pointed at: choose a character, then press where it shows. */
export function PointedPhoto({ hash, top, guide, readings, onPoint }: PointedPhotoProps) {
  const [size, setSize] = useState<{ width: number; height: number }>();
  const [shape, setShape] = useState(1.5);
  const [chosen, setChosen] = useState<number>();
  const uri = usePhotoUri(hash);
  // A photo that cannot be fetched keeps the usual shape.
  useEffect(() => {
    Image.getSize(
      uri,
      (width, height) => setShape(width / height),
      () => {},
    );
  }, [uri]);
  const seen = readings.flatMap((reading, i) => {
    const character = guide?.characters.find(({ id }) => id === reading.character);
    if (!character || (reading.status ?? 'seen') !== 'seen') return [];
    const { at } = reading;
    return [{ i, label: character.label, at: at && (at.photo === hash || (top && !at.photo)) ? at : undefined }];
  });
  const press = (x: number, y: number) => {
    if (chosen === undefined || !size) return;
    const share = (at: number, of: number) => Math.round(Math.max(0, Math.min(1, at / of)) * 1000) / 1000;
    onPoint(chosen, { x: share(x, size.width), y: share(y, size.height), ...(top ? {} : { photo: hash }) });
    setChosen(undefined);
  };
  return (
    <View style={styles.block}>
      <Pressable
        role="group"
        accessibilityLabel={chosen === undefined ? 'Photo of the specimen' : 'Press where the character shows'}
        onPress={(event) => press(...pressedAt(event))}
        onLayout={({ nativeEvent }) => setSize(nativeEvent.layout)}
        style={[styles.photo, { aspectRatio: shape }, chosen !== undefined && styles.aiming]}
      >
        <Photo source={{ uri }} style={StyleSheet.absoluteFill} resizeMode="stretch" />
        {seen.map(({ i, at, label }, n) =>
          at ? (
            <View
              key={i}
              role="img"
              accessibilityLabel={`${n + 1}: ${label}, pointed at`}
              style={[styles.pin, { left: `${at.x * 100}%`, top: `${at.y * 100}%` }]}
            >
              <Text size="small" strong color={colour.kelp}>
                {n + 1}
              </Text>
            </View>
          ) : null,
        )}
      </Pressable>
      {seen.length > 0 && (
        <ChoiceGroup
          label="Point at a character on the photo; press a pointed one to take it off"
          clearable
          options={seen.map(({ i, at, label }, n) => ({
            id: String(i),
            label: `${n + 1} ${label}${at ? ' ✓' : ''}`,
          }))}
          chosen={chosen === undefined ? [] : [String(chosen)]}
          onChange={([id]) => {
            const index = id === undefined ? undefined : Number(id);
            if (index !== undefined && seen.find(({ i }) => i === index)?.at) onPoint(index, undefined);
            else setChosen(index);
          }}
        />
      )}
    </View>
  );
}

const PIN = 26;

const styles = StyleSheet.create({
  block: { gap: space.s },
  photo: { width: '100%', maxWidth: 640, borderRadius: radius.l, overflow: 'hidden', backgroundColor: colour.paper },
  aiming: { borderWidth: 3, borderColor: colour.kelp },
  pin: {
    position: 'absolute',
    width: PIN,
    height: PIN,
    marginLeft: -PIN / 2,
    marginTop: -PIN / 2,
    borderRadius: PIN / 2,
    borderWidth: 2,
    borderColor: colour.kelp,
    backgroundColor: colour.sheet,
    alignItems: 'center',
    justifyContent: 'center',
  },
});
