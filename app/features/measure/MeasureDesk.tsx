import { type Character, type Protocol } from '@plesion/core/guide';
import type { PixelPoint } from '@plesion/core/measure';
import type { KeptPhoto } from '@plesion/core/specimen';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { colour, space, useWide } from '../../theme';
import { Announce } from '../../ui/Announce';
import { Box } from '../../ui/Box';
import { Disclosure } from '../../ui/Disclosure';
import { PageHeading } from '../../ui/PageHeading';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Loading } from '../../ui/states';
import { Text } from '../../ui/Text';
import type { Bench } from '../analysis/useBench';
import { DangerNotice } from '../judgement/DangerNotice';
import { PhotoStrip } from '../photos/PhotoStrip';
import { usePhotoUri } from '../photos/usePhotoUri';
import { usePointing } from '../records/useMeasurements';
import { useSession } from '../session/useSession';
import { Example } from './Example';
import { EdgeChoice, SpotFinder, useLooker } from './Helpers';
import { HowWell } from './HowWell';
import { LandmarkList, sayPlace } from './LandmarkList';
import type { Part } from './looking';
import { PhotoFailed } from './PhotoFailed';
import { PhotoTable } from './PhotoTable';
import { Result, sayTaken } from './Result';
import { ScaleFields } from './ScaleFields';
import { isWhole, needsScale, pointsOf, scaleOf, withoutScale } from './steps';
import { again, choose, foundBy, place, placeAll } from './table';
import { TableTools } from './TableTools';
import { TABLE_KEYS } from './tableKeys';
import { takenBy } from './taken';
import { usePhoto } from './usePhoto';
import { useTable } from './useTable';

interface DeskProps {
  id: string;
  bench: Bench;
  character: Character & { protocol: Protocol };
  photo: string;
  photos: readonly KeptPhoto[];
  onPhoto: (hash: string) => void;
}

/** The measuring table with what belongs to it: what to set, the plate beside it, the scale, and what it comes to. */
export function MeasureDesk({ id, bench, character, photo, photos, onPhoto }: DeskProps) {
  const wide = useWide();
  const session = useSession();
  const { protocol } = character;
  const uri = usePhotoUri(photo, 'original');
  const { image, failed } = usePhoto(uri);
  const needed = needsScale(protocol);
  const { steps, table, setTable, scale, setScale, forget } = useTable(`${id} ${character.id} ${photo}`, protocol, needed);
  const [panning, setPanning] = useState(false);
  const size = useMemo(() => (image ? { width: image.naturalWidth, height: image.naturalHeight } : undefined), [image]);
  const pointing = usePointing().data;
  const whole = steps.every((step) => isWhole(table.points, step));
  const sets = useMemo(() => [...table.earlier, table.points].map(withoutScale), [table.earlier, table.points]);
  const known = useMemo(() => scaleOf(scale, table.points), [scale, table.points]);
  // Once for what is set: the finger that aims draws anew at every step.
  const taken = useMemo(
    () => (whole && size ? takenBy(character, protocol, sets, known, size, pointing) : undefined),
    [whole, size, character, protocol, sets, known, pointing],
  );
  const step = steps.find(({ id: one }) => one === table.active) ?? steps[0];
  const looker = useLooker();
  const seen = useRef<Part>(undefined);
  const onSeen = useCallback((part: Part) => {
    seen.current = part;
  }, []);
  const [follows, setFollows] = useState(false);
  const [ahead, setAhead] = useState<PixelPoint[]>();
  const curve = step.kind === 'path' || step.kind === 'outline';
  const from = curve && follows ? pointsOf(table.points, step.id).at(-1) : undefined;
  const [fx, fy] = from ?? [];
  // The ways along the edges are worked out once from each point that was set.
  useEffect(() => {
    if (image && fx !== undefined && fy !== undefined) void looker.seed(image, [fx, fy]);
  }, [image, looker, fx, fy]);
  const aimed = (at: PixelPoint | undefined) => {
    if (!from || !at) return setAhead(undefined);
    void looker.edge(at).then((points) => setAhead([from, ...points]));
  };
  const put = (at: PixelPoint) => {
    if (!from) return setTable((so) => place(so, steps, at));
    void looker.edge(at).then((points) => {
      setAhead(undefined);
      setTable((so) => placeAll(so, step.id, [...pointsOf(so.points, step.id), ...points]));
    });
  };
  const danger = <DangerNotice guide={bench.stored.guide} answer={bench.answer} folded />;
  const form = bench.answer?.forms[0].form;
  if (failed)
    return (
      <View style={styles.fill}>
        <PageHeading>{`Measure: ${character.label}`}</PageHeading>
        <PhotoFailed />
      </View>
    );
  if (!image || !size) return <Loading what="The photo" />;
  const example = form && (
    <Example
      guide={bench.stored.guide}
      form={form}
      character={character}
      protocol={protocol}
      active={step.id}
      points={table.points}
      width={wide ? 320 : 132}
      height={wide ? 240 : 92}
    />
  );
  const instruction = (
    <Stack gap="hair" fill>
      <Text
        size="small"
        quiet
      >{`${steps.indexOf(step) + 1} of ${steps.length}${table.earlier.length ? `, measured again (${table.earlier.length + 1})` : ''}`}</Text>
      <Text strong testID="instruction">
        {whole ? 'All is set. Move any point to correct it.' : `Set: ${step.label}`}
      </Text>
      {step.kind !== 'point' && (
        <Text size="small" quiet>
          {step.kind === 'markers' ? 'One point on each.' : 'Point by point along it.'}
        </Text>
      )}
    </Stack>
  );
  const photoTable = (
    <PhotoTable
      image={image}
      steps={steps}
      table={table}
      setting={!whole || step.kind !== 'point'}
      panning={panning}
      onTable={setTable}
      onPlace={put}
      onSeen={onSeen}
      onAim={from ? aimed : undefined}
      ahead={ahead}
      says={`The photo. ${whole ? 'All is set.' : `Set: ${step.label}.`} Arrows move the cross-hair, Enter sets a point.`}
    />
  );
  const tools = (
    <TableTools steps={steps} table={table} onTable={setTable} panning={panning} onPanning={setPanning}>
      {curve && <EdgeChoice step={step} follows={follows} onChange={setFollows} />}
      {step.spots && (
        <SpotFinder
          image={image}
          looker={looker}
          seen={() => seen.current ?? { left: 0, top: 0, ...size }}
          onFound={(points) => setTable((so) => foundBy(so, step.id, points))}
        />
      )}
    </TableTools>
  );
  const result = (
    <Result
      id={id}
      bench={bench}
      character={character}
      photo={photo}
      size={size}
      sets={sets}
      scale={known}
      taken={taken}
      pointing={pointing}
      onTaken={forget}
      onAgain={() => setTable((so) => again(so, steps))}
    />
  );
  const rest = (
    <>
      <LandmarkList steps={steps} table={table} onChoose={(one) => setTable((so) => choose(so, one))} />
      <ScaleFields scale={scale} needed={needed} onChange={setScale} />
      <PhotoStrip
        photos={photos}
        shown={photo}
        sayView={({ view }) => bench.stored.guide.views.find(({ id: one }) => one === view)?.label}
        onChoose={onPhoto}
      />
      <Disclosure title="How well it is measured">
        <HowWell character={character} photo={photo} value={taken?.value} by={session.account.name} />
      </Disclosure>
      <Disclosure title="Keys">
        {TABLE_KEYS.map(([keys, does]) => (
          <Text key={keys} size="small">{`${keys}: ${does}`}</Text>
        ))}
      </Disclosure>
    </>
  );
  const said = `${step.label}: ${sayPlace(step, table)}. ${taken ? sayTaken(character, taken) : ''}`;
  if (wide)
    return (
      <View style={[styles.fill, styles.beside]}>
        <Stack fill>
          {photoTable}
          {tools}
        </Stack>
        <ScrollView style={styles.right} contentContainerStyle={styles.column}>
          {danger}
          <PageHeading size="title" title={`Measure: ${character.label}`}>
            {character.label}
          </PageHeading>
          {instruction}
          {example}
          {result}
          {rest}
        </ScrollView>
        <Announce>{said}</Announce>
      </View>
    );
  return (
    <ScrollView style={styles.fill} contentContainerStyle={styles.phone}>
      {danger}
      <PageHeading size="title" title={`Measure: ${character.label}`}>
        {character.label}
      </PageHeading>
      <Row justify="between" oneLine>
        {instruction}
        {example}
      </Row>
      <Box tall={380}>{photoTable}</Box>
      {tools}
      {result}
      {rest}
      <Announce>{said}</Announce>
    </ScrollView>
  );
}

const styles = StyleSheet.create({
  fill: { flex: 1, backgroundColor: colour.mist },
  beside: { flexDirection: 'row', padding: space.l, gap: space.l },
  right: { width: 360, flexGrow: 0 },
  column: { gap: space.m, paddingBottom: space.xxl },
  phone: { padding: space.m, gap: space.s, paddingBottom: space.xxl },
});
