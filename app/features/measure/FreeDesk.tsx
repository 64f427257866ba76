import { mmPerPixel } from '@plesion/core/measure';
import { useEffect, useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { space, useWide } from '../../theme';
import { Announce } from '../../ui/Announce';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Notice } from '../../ui/Notice';
import { PageHeading } from '../../ui/PageHeading';
import { Screen } from '../../ui/Screen';
import { Slider } from '../../ui/Slider';
import { Loading } from '../../ui/states';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
import type { Bench } from '../analysis/useBench';
import { DangerNotice } from '../judgement/DangerNotice';
import { usePhotoUri } from '../photos/usePhotoUri';
import { usePointing } from '../records/useMeasurements';
import { LandmarkList } from './LandmarkList';
import { PhotoFailed } from './PhotoFailed';
import { PhotoTable } from './PhotoTable';
import { ScaleFields } from './ScaleFields';
import { isWhole, lengthTyped, scaleOf, withoutScale } from './steps';
import { choose, keyed, move, place } from './table';
import { TableTools } from './TableTools';
import { type Told, TOOL, toldByPixels, toldByPoints, type ToolName } from './tools';
import { usePhoto } from './usePhoto';
import { useTable } from './useTable';

/** Tools whose value has a length in it. */
const SCALED: readonly ToolName[] = ['length', 'area', 'stripes'];

interface FreeDeskProps {
  id: string;
  bench: Bench;
  tool: ToolName;
  photo: string;
}

/** Something measured on a photo that is no character of the guide: told with its error, and kept as a note. */
export function FreeDesk({ id, bench, tool, photo }: FreeDeskProps) {
  const wide = useWide();
  const { label, quantities } = TOOL[tool];
  const { image, failed } = usePhoto(usePhotoUri(photo, 'original'));
  const pointing = usePointing().data;
  const { steps, table, setTable, scale, setScale, forget } = useTable(`${id} free ${tool} ${photo}`, TOOL[tool], false);
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
    if (quantities.length || !whole || !image) return setRead(undefined);
    const timer = setTimeout(
      () => setRead(toldByPixels(tool, image, points, mm, { threshold, card: { percent: percent ?? 0, error } })),
      120,
    );
    return () => clearTimeout(timer);
  }, [quantities, whole, image, tool, points, mm, threshold, percent, error]);
  if (failed)
    return (
      <Screen>
        <PageHeading>{`Measure ${label}`}</PageHeading>
        <PhotoFailed />
      </Screen>
    );
  if (!image) return <Loading what="The photo" />;
  const told =
    whole && quantities.length
      ? toldByPoints(TOOL[tool], points, known, { width: image.naturalWidth, height: image.naturalHeight }, pointing)
      : read;
  const keep = () => {
    const words = told!.lines.join('; ');
    bench.draft.change((now) => ({
      ...now,
      situation: { ...now.situation, note: [now.situation.note, `Measured ${label}: ${words}.`].filter(Boolean).join('\n') },
    }));
    forget();
  };
  return (
    <Screen widest={1240}>
      <DangerNotice guide={bench.stored.guide} answer={bench.answer} folded />
      <PageHeading size="title" title={`Measure ${label}`}>{`Measure ${label}`}</PageHeading>
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
          onPlace={(at) => setTable((so) => place(so, steps, at))}
          onMove={(held, at, goesOn) => setTable((so) => move(so, held, at, goesOn))}
          onHold={(held) => setTable((so) => ({ ...so, held, active: held.id }))}
          onKey={(key) => setTable((so) => keyed(so, steps, key))}
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
        {tool === 'dark' && told?.threshold !== undefined && (
          <Slider
            label="Darker than this is dark"
            from={0}
            to={255}
            value={Math.round(threshold ?? told.threshold)}
            onChange={setThreshold}
            say={(value) => (threshold === undefined ? `${value}, as it parts best` : String(value))}
          />
        )}
        {tool === 'dark' && threshold !== undefined && (
          <Button small kind="quiet" label="As it parts best" onPress={() => setThreshold(undefined)} />
        )}
        {tool === 'tone' && (
          <View style={styles.row}>
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
          </View>
        )}
        <Button label="Keep it as a note" disabled={!told?.lines.length} onPress={keep} />
        {bench.state.content.situation.note && (
          <Text size="small" quiet>
            {bench.state.content.situation.note}
          </Text>
        )}
      </Card>
      <LandmarkList steps={steps} table={table} onChoose={(one) => setTable((so) => choose(so, one))} />
      {SCALED.includes(tool) && <ScaleFields scale={scale} needed={false} onChange={setScale} />}
      <Announce>{told?.lines.join('. ') ?? ''}</Announce>
    </Screen>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s, alignItems: 'center' },
});
