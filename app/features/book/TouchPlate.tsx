import { partAt } from '@plesion/core/book';
import type { Character, Guide } from '@plesion/core/guide';
import { memo } from 'react';
import { type GestureResponderEvent } from 'react-native';
import { Rect } from 'react-native-svg';
import { pressedAt } from '../../lib/pressedAt';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { PressBox } from '../../ui/PressBox';
import { Stack } from '../../ui/Stack';
import { formPlate } from '../plates/plates';
import { PlateView } from '../plates/PlateView';

interface TouchPlateProps {
  guide: Guide;
  form: string;
  view: string;
  /** What each part shows. */
  parts: ReadonlyMap<string, readonly Character[]>;
  part?: string;
  onPart: (part: string | undefined) => void;
  width: number;
}

/** A drawing whose parts can be touched; the same parts as a row of choices, for keyboard and screen reader. */
export const TouchPlate = memo(function TouchPlate({ guide, form, view, parts, part, onPart, width }: TouchPlateProps) {
  const plate = formPlate(guide, form, view, 'thumb');
  if (!plate) return null;
  const height = Math.min((width * plate.box.height) / plate.box.width, 260);
  const scale = Math.max(plate.box.width / width, plate.box.height / height);
  const press = (event: GestureResponderEvent) => {
    const [x, y] = pressedAt(event);
    const { box } = plate;
    const at = [box.x + box.width / 2 + (x - width / 2) * scale, box.y + box.height / 2 + (y - height / 2) * scale] as const;
    onPart(partAt(plate, parts.keys(), at));
  };
  const lit = part ? plate.parts[part] : undefined;
  const drawn = [...parts].filter(([name]) => plate.parts[name]);
  return (
    <Stack>
      <PressBox
        role="group"
        accessibilityLabel="Touch a part of the drawing"
        onPress={press}
        ruled="round"
        ruledIn="hairline"
        clip
        round="l"
        tone="paper"
        style={{ width, height }}
      >
        <PlateView plate={plate} width={width} height={height}>
          {lit && (
            <Rect
              x={(lit.x - scale * 4) * 100}
              y={(lit.y - scale * 4) * 100}
              width={(lit.width + scale * 8) * 100}
              height={(lit.height + scale * 8) * 100}
              rx={scale * 800}
              fill="none"
              stroke="#9A5B00"
              strokeWidth={scale * 260}
              strokeDasharray={[scale * 700, scale * 500]}
            />
          )}
        </PlateView>
      </PressBox>
      <ChoiceGroup
        label="Part"
        hideLabel
        clearable
        options={drawn.map(([name]) => ({ id: name, label: name.replaceAll('-', ' ') }))}
        chosen={part ? [part] : []}
        onChange={([next]) => onPart(next)}
      />
    </Stack>
  );
});
