import type { Reading } from '@plesion/core/observation';
import type { Guide } from '@plesion/core/guide';
import { useEffect, useRef, useState } from 'react';
import { Image, Pressable, StyleSheet, View } from 'react-native';
import { Photo } from '../../ui/Photo';
import { ARROWS } from '../../lib/keyboard';
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
  /** Where the keys aim, as shares; undefined while they do not. */
  const [aim, setAim] = useState<{ x: number; y: number }>();
  const photo = useRef<View>(null);
  const put = (x: number, y: number) => {
    if (chosen === undefined) return;
    const rounded = (share: number) => Math.round(Math.max(0, Math.min(1, share)) * 1000) / 1000;
    onPoint(chosen, { x: rounded(x), y: rounded(y), ...(top ? {} : { photo: hash }) });
    setChosen(undefined);
    setAim(undefined);
  };
  const hear = ({ key, shiftKey, preventDefault }: { key: string; shiftKey: boolean; preventDefault: () => void }) => {
    if (chosen === undefined) return;
    const at = aim ?? MIDDLE;
    const by = ARROWS[key];
    if (by) {
      const step = shiftKey ? 0.05 : 0.005;
      const moved = (share: number, way: number) => Math.max(0, Math.min(1, share + way * step));
      setAim({ x: moved(at.x, by[0]), y: moved(at.y, by[1]) });
    } else if (key === 'Enter' || key === ' ') put(at.x, at.y);
    else if (key === 'Escape') {
      setChosen(undefined);
      setAim(undefined);
    } else return;
    preventDefault();
  };
  const press = (x: number, y: number) => {
    if (size) put(x / size.width, y / size.height);
  };
  return (
    <View style={styles.block}>
      <Pressable
        ref={photo}
        role="group"
        accessibilityLabel={
          chosen === undefined
            ? 'Photo of the specimen'
            : 'Press where the character shows; or move with the arrows, and press Enter'
        }
        onPress={(event) => press(...pressedAt(event))}
        {...({ onKeyDownCapture: (event: KeyboardEvent) => hear(keyOf(event)) } as object)}
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
        {aim && (
          <View aria-hidden style={[styles.pin, styles.aim, { left: `${aim.x * 100}%`, top: `${aim.y * 100}%` }]}>
            <Text size="small" strong color={colour.hazard}>
              +
            </Text>
          </View>
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
            else {
              setChosen(index);
              // The keys aim on the photo itself.
              if (index !== undefined) photo.current?.focus();
            }
          }}
        />
      )}
    </View>
  );
}

/** What keys begin to aim at. */
const MIDDLE = { x: 0.5, y: 0.5 };

/** What is asked of a key; what it would do otherwise, such as a press in the middle, is kept from it. */
const keyOf = (event: KeyboardEvent) => ({
  key: event.key,
  shiftKey: event.shiftKey,
  preventDefault() {
    event.preventDefault();
    event.stopPropagation();
  },
});

const PIN = 26;

const styles = StyleSheet.create({
  block: { gap: space.s },
  photo: { width: '100%', maxWidth: 640, borderRadius: radius.l, overflow: 'hidden', backgroundColor: colour.paper },
  aiming: { borderWidth: 3, borderColor: colour.kelp },
  aim: { borderColor: colour.hazard },
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
