import { mmPerPixel } from '@plesion/core/measure';
import { useEffect, useMemo, useState } from 'react';
import { View } from 'react-native';
import { useWide } from '../../theme';
import { Announce } from '../../ui/Announce';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Slider } from '../../ui/Slider';
import { Stack } from '../../ui/Stack';
import { Loading } from '../../ui/states';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
import { usePhotoUri } from '../photos/usePhotoUri';
import { usePointing } from '../records/useMeasurements';
import { LandmarkList } from './LandmarkList';
import { PhotoFailed } from './PhotoFailed';
import { PhotoTable } from './PhotoTable';
import { ScaleFields } from './ScaleFields';
import { isWhole, lengthTyped, scaleOf, withoutScale } from './steps';
import { choose } from './table';
import { TableTools } from './TableTools';
import { type Told, type Tool, toldByPixels, toldByPoints } from './tools';
import { usePhoto } from './usePhoto';
import { useTable } from './useTable';

interface FreeTableProps {
  /** By which it is kept what was set so far. */
  name: string;
  tool: Tool;
  photo: string;
  /** What it comes to is kept, and where. */
  keep: { label: string; put: (words: string) => void; said?: string };
}

/** The photo with the points of a tool on it, and what they come to with its error. */
export function FreeTable({ name, tool, photo, keep }: FreeTableProps) {
  const wide = useWide();
  const { reads, scaled } = tool;
  const { image, failed } = usePhoto(usePhotoUri(photo, 'original'));
  const pointing = usePointing().data;
  const { steps, table, setTable, scale, setScale, forget } = useTable(`${name} ${photo}`, tool, false);
  const [panning, setPanning] = useState(false);
  const [threshold, setThreshold] = useState<number>();
  const [card, setCard] = useState({ percent: '18', error: '0.5' });
  const [read, setRead] = useState<Told>();
  const points = useMemo(() => withoutScale(table.points), [table.points]);
  const whole = steps.every((step) => isWhole(table.points, step));
  const known = scaleOf(scale, table.points);
  const step = steps.find(({ id: one }) => one === table.active) ?? steps[0];
  const mm = known?.kind === 'lengths' ? mmPerPixel(known.references[0]) : undefined;
  const [percent, error] = [lengthTyped(card.percent), lengthTyped(card.error) ?? 0];
  // What is read out of the pixels is read once the points rest: not with every draw.
  useEffect(() => {
    if (!reads || !whole || !image) return setRead(undefined);
    const timer = setTimeout(
      () => setRead(toldByPixels(reads, image, points, mm, { threshold, card: { percent: percent ?? 0, error } })),
      120,
    );
    return () => clearTimeout(timer);
  }, [reads, whole, image, points, mm, threshold, percent, error]);
  if (failed) return <PhotoFailed />;
  if (!image) return <Loading what="The photo" />;
  const photoSize = { width: image.naturalWidth, height: image.naturalHeight };
  const told = whole && !reads ? toldByPoints(tool, points, known, photoSize, pointing) : read;
  const put = () => {
    keep.put(told!.lines.join('; '));
    forget();
  };
  return (
    <Stack gap="m">
      <Text strong testID="instruction">
        {whole && step.kind === 'point' ? 'All is set. Move any point to correct it.' : `Set: ${step.label}`}
      </Text>
      <View style={{ height: wide ? 480 : 360 }}>
        <PhotoTable
          image={image}
          steps={steps}
          table={table}
          setting={!whole || step.kind !== 'point'}
          panning={panning}
          onTable={setTable}
          says={`The photo. Set: ${step.label}. Arrows move the cross-hair, Enter sets a point.`}
        />
      </View>
      <TableTools steps={steps} table={table} onTable={setTable} panning={panning} onPanning={setPanning} />
      <Card title="What it comes to">
        {(told?.lines ?? ['–']).map((line) => (
          <Text key={line} strong figures testID="told">
            {line}
          </Text>
        ))}
        {told?.problems.map((problem) => (
          <Notice key={problem} kind="problem">
            {problem}
          </Notice>
        ))}
        {reads === 'dark' && told?.threshold !== undefined && (
          <Slider
            label="Darker than this is dark"
            from={0}
            to={255}
            value={Math.round(threshold ?? told.threshold)}
            onChange={setThreshold}
            say={(value) => (threshold === undefined ? `${value}, as it parts best` : String(value))}
          />
        )}
        {reads === 'dark' && threshold !== undefined && (
          <Button small kind="quiet" label="As it parts best" onPress={() => setThreshold(undefined)} />
        )}
        {reads === 'tone' && (
          <Row align="center">
            <TextField
              label="The card reflects"
              unit="in 100"
              value={card.percent}
              inputMode="decimal"
              onChangeText={(next) => setCard({ ...card, percent: next })}
              problem={percent === undefined ? 'Write how much it reflects, such as 18.' : undefined}
            />
            <TextField
              label="known to ±"
              unit="in 100"
              value={card.error}
              inputMode="decimal"
              onChangeText={(next) => setCard({ ...card, error: next })}
            />
          </Row>
        )}
        <Button label={keep.label} disabled={!told?.lines.length} onPress={put} />
        {keep.said && (
          <Text size="small" quiet>
            {keep.said}
          </Text>
        )}
      </Card>
      <LandmarkList steps={steps} table={table} onChoose={(one) => setTable((so) => choose(so, one))} />
      {scaled && <ScaleFields scale={scale} needed={false} onChange={setScale} />}
      <Announce>{told?.lines.join('. ') ?? ''}</Announce>
    </Stack>
  );
}
