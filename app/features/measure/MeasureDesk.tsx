import { type Character, type Protocol } from '@plesion/core/guide';
import { sayValue } from '@plesion/core/observation';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { v7 as mintId } from 'uuid';
import { colour, radius, space, useWide } from '../../theme';
import { Announce } from '../../ui/Announce';
import { Button } from '../../ui/Button';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Disclosure } from '../../ui/Disclosure';
import { Notice } from '../../ui/Notice';
import { PageHeading } from '../../ui/PageHeading';
import { Loading } from '../../ui/states';
import { Text } from '../../ui/Text';
import { readingOf as lastReadingOf, withReading } from '../analysis/readings';
import type { Bench } from '../analysis/useBench';
import { usePhotoUri } from '../photos/usePhotoUri';
import { measurementDrafts } from '../records/measurements';
import { useSession } from '../session/useSession';
import { Example } from './Example';
import { LandmarkList, sayPlace } from './LandmarkList';
import { PhotoTable } from './PhotoTable';
import { ScaleFields } from './ScaleFields';
import { isWhole, needsScale, NO_SCALE, scaleOf, type ScaleEntry, stepsOf, withoutScale } from './steps';
import { again, choose, emptyTable, heldInOrder, move, place, redo, take, type Table, undo } from './table';
import { TABLE_KEYS, type TableKey } from './tableKeys';
import { middleOf, readingOf, takenBy, type Taken } from './taken';
import { usePhoto } from './usePhoto';

interface DeskProps {
  id: string;
  bench: Bench;
  character: Character & { protocol: Protocol };
  photo: string;
  photos: readonly string[];
  onPhoto: (hash: string) => void;
}

/** The measuring table with what belongs to it: what to set, the plate beside it, the scale, and what it comes to. */
export function MeasureDesk({ id, bench, character, photo, photos, onPhoto }: DeskProps) {
  const wide = useWide();
  const { protocol } = character;
  const uri = usePhotoUri(photo, 'original');
  const { image, failed } = usePhoto(uri);
  const needed = needsScale(protocol);
  const [scale, setScale] = useState<ScaleEntry>({ ...NO_SCALE, kind: needed ? 'length' : 'none' });
  const steps = useMemo(() => stepsOf(protocol, scale.kind), [protocol, scale.kind]);
  const [table, setTable] = useState<Table>(() => emptyTable(steps));
  const [panning, setPanning] = useState(false);
  const size = useMemo(() => (image ? { width: image.naturalWidth, height: image.naturalHeight } : undefined), [image]);
  const whole = steps.every((step) => isWhole(table.points, step));
  const sets = [...table.earlier, table.points].map(withoutScale);
  const known = scaleOf(scale, table.points);
  const taken = whole && size ? takenBy(character, protocol, sets, known, size) : undefined;
  const step = steps.find(({ id: one }) => one === table.active) ?? steps[0];
  const onKey = (key: TableKey) => setTable((so) => keyed(so, steps, key));
  const form = bench.answer?.forms[0].form;
  if (failed)
    return (
      <View style={styles.fill}>
        <PageHeading>{`Measure: ${character.label}`}</PageHeading>
        <Notice kind="problem" title="The photo cannot be shown">
          It could not be fetched, or is no picture. Try again when there is a connection.
        </Notice>
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
      width={wide ? 320 : 132}
      height={wide ? 240 : 92}
    />
  );
  const instruction = (
    <View style={styles.instruction}>
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
    </View>
  );
  const photoTable = (
    <PhotoTable
      image={image}
      steps={steps}
      table={table}
      setting={!whole || step.kind !== 'point'}
      panning={panning}
      onPlace={(at) => setTable((so) => place(so, steps, at))}
      onMove={(held, at, goesOn) => setTable((so) => move(so, held, at, goesOn))}
      onHold={(held) => setTable((so) => ({ ...so, held, active: held.id }))}
      onKey={onKey}
      says={`The photo. ${whole ? 'All is set.' : `Set: ${step.label}.`} Arrows move the cross-hair, Enter sets a point.`}
    />
  );
  const tools = (
    <View style={styles.tools}>
      <Button small label="Undo" disabled={table.past.length === 0} onPress={() => setTable((so) => undo(so, steps))} />
      <Button small label="Redo" disabled={table.future.length === 0} onPress={() => setTable((so) => redo(so, steps))} />
      <ChoiceGroup
        label="One finger"
        hideLabel
        options={[
          { id: 'set', label: 'Set points' },
          { id: 'pan', label: 'Move photo' },
        ]}
        chosen={[panning ? 'pan' : 'set']}
        onChange={([chosen]) => setPanning(chosen === 'pan')}
      />
    </View>
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
      onAgain={() => setTable((so) => again(so, steps))}
    />
  );
  const rest = (
    <>
      <LandmarkList steps={steps} table={table} onChoose={(one) => setTable((so) => choose(so, one))} />
      <ScaleFields scale={scale} needed={needed} onChange={(next) => changeScale(next)} />
      {photos.length > 1 && (
        <ChoiceGroup
          label="Photo"
          options={photos.map((hash, i) => ({ id: hash, label: `photo ${i + 1}` }))}
          chosen={[photo]}
          onChange={([hash]) => onPhoto(hash)}
        />
      )}
      <Disclosure title="Keys">
        {TABLE_KEYS.map(([keys, does]) => (
          <Text key={keys} size="small">{`${keys}: ${does}`}</Text>
        ))}
      </Disclosure>
    </>
  );
  function changeScale(next: ScaleEntry): void {
    setScale(next);
    if (next.kind !== scale.kind)
      setTable((so) => ({
        ...so,
        active: stepsOf(protocol, next.kind).find((one) => !isWhole(so.points, one))?.id ?? so.active,
      }));
  }
  const said = `${step.label}: ${sayPlace(step, table)}. ${taken ? sayTaken(character, taken) : ''}`;
  if (wide)
    return (
      <View style={[styles.fill, styles.beside]}>
        <View style={styles.left}>
          {photoTable}
          {tools}
        </View>
        <ScrollView style={styles.right} contentContainerStyle={styles.column}>
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
      <PageHeading size="title" title={`Measure: ${character.label}`}>
        {character.label}
      </PageHeading>
      <View style={styles.top}>
        {instruction}
        {example}
      </View>
      <View style={styles.phoneTable}>{photoTable}</View>
      {tools}
      {result}
      {rest}
      <Announce>{said}</Announce>
    </ScrollView>
  );
}

function keyed(table: Table, steps: ReturnType<typeof stepsOf>, key: TableKey): Table {
  switch (key.kind) {
    case 'move': {
      const at = table.held && table.points[table.held.id];
      if (!table.held || !at) return table;
      const [x, y] = (typeof at[0] === 'number' ? at : at[table.held.n]) as [number, number];
      return move(table, table.held, [x + key.by[0], y + key.by[1]]);
    }
    case 'next':
    case 'previous': {
      const all = heldInOrder(table.points, steps);
      if (all.length === 0) return table;
      const so = all.findIndex(({ id, n }) => id === table.held?.id && n === table.held.n);
      const to = key.kind === 'next' ? (so + 1) % all.length : (so <= 0 ? all.length : so) - 1;
      return { ...table, held: all[to], active: all[to].id };
    }
    case 'free':
      return { ...table, held: undefined };
    case 'take':
      return table.held ? take(table, table.held) : table;
    case 'undo':
      return undo(table, steps);
    case 'redo':
      return redo(table, steps);
    default:
      return table;
  }
}

/** "1.24 ± 0.01" and, of a form, the states it allows. */
function sayTaken(character: Character, { value, states }: Taken): string {
  if (!value) return '';
  if (value.unit.startsWith('px')) return `${value.value.toFixed(1)} ${value.unit}, without a scale`;
  const said = sayValue(character, value.value, value.sd);
  if (!states) return said;
  const labels = states.map((id) => character.states?.find((one) => one.id === id)?.label ?? id);
  return `${value.value.toFixed(3)} ± ${value.sd.toFixed(3)}: ${labels.join(' or ') || 'none of its states'}`;
}

interface ResultProps extends Pick<DeskProps, 'id' | 'bench' | 'character' | 'photo'> {
  size: { width: number; height: number };
  sets: Parameters<typeof takenBy>[2];
  scale: ReturnType<typeof scaleOf>;
  taken?: Taken;
  onAgain: () => void;
}

/** What it comes to, with its error; used, it becomes a reading and is kept with its points. */
function Result({ id, bench, character, photo, size, sets, scale, taken, onAgain }: ResultProps) {
  const router = useRouter();
  const station = useSession().station.id;
  const [measurement] = useState(() => mintId());
  const [reading] = useState(() => lastReadingOf(bench.state.content.readings, character.id)?.id ?? mintId());
  const made = taken && readingOf(character, reading, taken, measurement, middleOf(sets[sets.length - 1]), size);
  const use = () => {
    if (!made) return;
    measurementDrafts.startDraft(station, measurement, {
      version: 0,
      specimenId: id,
      photo,
      size,
      character: character.id,
      protocol: character.protocol,
      sets: [...sets],
      ...(scale ? { scale } : {}),
      hidden: false,
    });
    bench.draft.change((content) => withReading(content, made));
    if (router.canGoBack()) router.back();
    else router.replace(`/specimens/${id}/bench?character=${character.id}`);
  };
  const repeats = character.protocol.repeats ?? 1;
  return (
    <View style={styles.result}>
      <View style={styles.value}>
        <Text size="small" quiet>
          {taken?.value ? `measured ${taken.value.n === 1 ? 'once' : `${taken.value.n} times`}` : 'not yet'}
        </Text>
        <Text size="lead" strong figures testID="measured">
          {taken ? sayTaken(character, taken) || '–' : '–'}
        </Text>
        {taken?.value && taken.value.n < repeats && (
          <Text size="small" quiet>{`The guide asks for ${repeats} measurements.`}</Text>
        )}
      </View>
      <Button
        small
        label="Again, blind"
        hint="Measure again, with the earlier points hidden"
        disabled={!taken?.value}
        onPress={onAgain}
      />
      <Button kind="main" label="Use it" disabled={!made} onPress={use} />
      {taken?.problems.map((problem) => (
        <Notice key={problem} kind="problem">
          {problem}
        </Notice>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  fill: { flex: 1, backgroundColor: colour.mist },
  beside: { flexDirection: 'row', padding: space.l, gap: space.l },
  left: { flex: 1, gap: space.s },
  right: { width: 360, flexGrow: 0 },
  column: { gap: space.m, paddingBottom: space.xxl },
  phone: { padding: space.m, gap: space.s, paddingBottom: space.xxl },
  phoneTable: { height: 380 },
  top: { flexDirection: 'row', gap: space.s, justifyContent: 'space-between' },
  instruction: { flex: 1, gap: 2 },
  tools: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s, alignItems: 'center' },
  result: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'center',
    gap: space.s,
    padding: space.m,
    borderRadius: radius.m,
    backgroundColor: colour.sheet,
    borderWidth: 1,
    borderColor: colour.hairline,
  },
  value: { flexGrow: 1, flexShrink: 1, minWidth: 130 },
});
