import { formsOf, type Guide } from '@plesion/core/guide';
import { useState } from 'react';
import { Circle } from 'react-native-svg';
import { Box } from '../../ui/Box';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { PressBox } from '../../ui/PressBox';
import { Slider } from '../../ui/Slider';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { drawnViews, formPlate, hasView, overPlate } from '../plates/plates';
import { PlateView } from '../plates/PlateView';

/** A place on the plate of a view: shares of its width and height from the upper left. */
export interface PlatePlace {
  view: string;
  x: number;
  y: number;
}

interface TouchPlateProps {
  guide: Guide;
  taxon?: string;
  at?: PlatePlace;
  /** Other places that are shown. */
  others?: readonly PlatePlace[];
  onTouch: (at: PlatePlace) => void;
}

const TALLEST = 260;

/** The plate of a kind, to be touched where something is on the body; keys move the place by two sliders. */
export function TouchPlate({ guide, taxon, at, others = [], onTouch }: TouchPlateProps) {
  const [room, setRoom] = useState(320);
  const form = (formsOf(guide).find((one) => one.taxon === taxon) ?? formsOf(guide)[0])?.id;
  const views = form ? drawnViews(guide).filter(({ id }) => hasView(guide, form, id)) : [];
  const [chosen, setChosen] = useState(at?.view ?? others[0]?.view ?? views[0]?.id);
  const view = views.some(({ id }) => id === chosen) ? chosen : views[0]?.id;
  const plate = form && view ? formPlate(guide, form, view, 'thumb') : undefined;
  if (!plate || !view) return null;
  const { width, height } = overPlate(plate, room, TALLEST);
  const { box } = plate;
  const dot = ({ x, y }: PlatePlace) => ({ cx: (box.x + x * box.width) * 100, cy: (box.y + y * box.height) * 100 });
  const size = box.width * 100;
  const here = at?.view === view ? at : undefined;
  const touch = (x: number, y: number) =>
    onTouch({ view, x: Number(Math.min(1, Math.max(0, x)).toFixed(3)), y: Number(Math.min(1, Math.max(0, y)).toFixed(3)) });
  return (
    <Stack onLayout={({ nativeEvent }) => setRoom(nativeEvent.layout.width)}>
      {views.length > 1 && <ChoiceGroup label="View" options={views} chosen={[view]} onChange={([next]) => setChosen(next)} />}
      <PressBox
        aria-label={here ? 'Plate: the place is marked' : 'Plate: touch where it is'}
        role="img"
        self="start"
        ruled="round"
        ruledIn="hairline"
        round="m"
        tone="paper"
        onPress={({ nativeEvent }) => {
          const { offsetX, offsetY, locationX, locationY } = nativeEvent as unknown as Record<string, number | undefined>;
          touch((offsetX ?? locationX ?? 0) / width, (offsetY ?? locationY ?? 0) / height);
        }}
      >
        <Box pointerEvents="none">
          <PlateView plate={plate} width={width} height={height}>
            {others
              .filter((one) => one.view === view)
              .map((one, i) => (
                <Circle key={i} {...dot(one)} r={size * 0.022} fill="none" stroke="#4C5F5C" strokeWidth={size * 0.006} />
              ))}
            {here && (
              <Circle
                {...dot(here)}
                r={size * 0.03}
                fill="#A80F3F"
                fillOpacity={0.35}
                stroke="#A80F3F"
                strokeWidth={size * 0.008}
              />
            )}
          </PlateView>
        </Box>
      </PressBox>
      {here ? (
        <>
          <Slider
            label="From the left"
            value={Math.round(here.x * 100)}
            onChange={(x) => touch(x / 100, here.y)}
            say={(x) => `${x} in 100`}
          />
          <Slider
            label="From the top"
            value={Math.round(here.y * 100)}
            onChange={(y) => touch(here.x, y / 100)}
            say={(y) => `${y} in 100`}
          />
        </>
      ) : (
        <Text size="small" quiet>
          Touch the plate where it is on the body.
        </Text>
      )}
    </Stack>
  );
}
