import type { PixelPoint } from '@plesion/core/measure';
import { useEffect, useRef, useState } from 'react';
import { Button } from '../../ui/Button';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { createLooker, type Looker, type Part } from './looking';
import type { Step } from './steps';

/** Looks into the photo for as long as the table is there. */
export function useLooker(): Looker {
  const [looker] = useState(createLooker);
  useEffect(() => looker.end, [looker]);
  return looker;
}

interface FinderProps {
  image: HTMLImageElement;
  looker: Looker;
  /** What is in sight of the photo. */
  seen: () => Part;
  onFound: (points: readonly PixelPoint[]) => void;
}

/** Spots are found by the machine, in what is in sight, and corrected by the person. */
export function SpotFinder({ image, looker, seen, onFound }: FinderProps) {
  const [lighter, setLighter] = useState(false);
  const [far, setFar] = useState<number>();
  const [said, setSaid] = useState('');
  const gone = useRef(false);
  useEffect(
    () => () => {
      gone.current = true;
    },
    [],
  );
  const find = async () => {
    setFar(0);
    const found = await looker.spots(image, seen(), lighter, (share) => !gone.current && setFar(share));
    if (gone.current) return;
    setFar(undefined);
    setSaid(
      found.length === 0
        ? 'None found: come nearer, or set them by hand.'
        : `${found.length} found. Take away what is none, and set what was missed.`,
    );
    if (found.length) onFound(found);
  };
  return (
    <Stack gap="xs">
      <Row align="center">
        <Button
          small
          label="Find them"
          hint="Find them: the spots in what is in sight"
          busy={far !== undefined}
          onPress={() => void find()}
        />
        <ChoiceGroup
          label="Spots are"
          hideLabel
          options={[
            { id: 'dark', label: 'dark' },
            { id: 'light', label: 'light' },
          ]}
          chosen={[lighter ? 'light' : 'dark']}
          onChange={([next]) => setLighter(next === 'light')}
        />
      </Row>
      <Text size="small" quiet role="status">
        {far === undefined ? said : `Looking … ${Math.round(far * 100)} in 100`}
      </Text>
    </Stack>
  );
}

/** How a curve is set: point by point, or along the edge from one click to the next. */
export const EdgeChoice = ({
  step,
  follows,
  onChange,
}: {
  step: Step;
  follows: boolean;
  onChange: (follows: boolean) => void;
}) => (
  <ChoiceGroup
    label={`How “${step.label}” is set`}
    hideLabel
    options={[
      { id: 'points', label: 'point by point' },
      { id: 'edge', label: 'follow the edge' },
    ]}
    chosen={[follows ? 'edge' : 'points']}
    onChange={([next]) => onChange(next === 'edge')}
  />
);
