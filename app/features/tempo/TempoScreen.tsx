import type { Character } from '@plesion/core/guide';
import { v7 as mintId } from 'uuid';
import { z } from 'zod';
import { useAddress } from '../../lib/useAddress';
import { useKeptState } from '../../lib/useKeptState';
import { Announce } from '../../ui/Announce';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { PageHeading } from '../../ui/PageHeading';
import { Row } from '../../ui/Row';
import { Screen } from '../../ui/Screen';
import { Empty } from '../../ui/states';
import { Text } from '../../ui/Text';
import { readingOf } from '../analysis/readings';
import { type Bench, onceWeighed, useBench } from '../analysis/useBench';
import { useTakeToBench } from '../analysis/useTakeToBench';
import { DangerNotice } from '../judgement/DangerNotice';
import { PICTURE, roundedTempo, sayOdd, tempoIn } from './beats';
import { FilmClip } from './FilmClip';
import { drawsBeatOf, PracticeClip } from './PracticeClip';
import { TapPad } from './TapPad';

/** How beats come in: tapped as they are seen, marked on a film, or on a practice clip. */
const SOURCES = ['live', 'film', 'practice'] as const;
type Source = (typeof SOURCES)[number];
const WORDS: Record<Source, string> = { live: 'tap along', film: 'a clip', practice: 'practice clip' };

/** What was tapped and marked so far, kept over a reload: seconds, for each way by itself. */
const Beats = z.object({ live: z.array(z.number()), film: z.array(z.number()), practice: z.array(z.number()) });
const NO_BEATS: z.output<typeof Beats> = { live: [], film: [], practice: [] };

/** How often something happens: a wing-beat, a tail-flick; from taps, or from beats marked on a clip. */
export function TempoScreen({ id }: { id: string }) {
  const { bench, error, retry } = useBench(id);
  return (
    <AsyncScreen what="The specimen" value={onceWeighed(bench)} error={error} retry={retry}>
      {(open) => {
        const all = open.stored.guide.characters.filter(({ tempo }) => tempo);
        const character = all.find((one) => one.id === open.chosen?.id) ?? all.at(0);
        return character ? (
          <Tempo key={character.id} id={id} bench={open} character={character} />
        ) : (
          <Screen>
            <PageHeading>Count the beat</PageHeading>
            <Empty title="Nothing that beats">No character of this guide is told as so often in a time.</Empty>
          </Screen>
        );
      }}
    </AsyncScreen>
  );
}

function Tempo({ id, bench, character }: { id: string; bench: Bench; character: Character }) {
  const take = useTakeToBench(id, bench);
  const { guide } = bench.stored;
  const [{ source: asked }, setAddress] = useAddress(['source'], 0);
  const source = SOURCES.find((one) => one === asked) ?? 'live';
  const [kept, keep, forget] = useKeptState(`tempo.${id}.${character.id}`, Beats, NO_BEATS);
  const beats = kept[source];
  const put = (next: number[]) => keep({ [source]: next.sort((a, b) => a - b) });
  const add = (second: number) => put([...beats.filter((one) => one !== second), second]);
  const tempo = tempoIn(character, beats, source === 'live' ? undefined : PICTURE);
  const told = tempo && roundedTempo(tempo);
  const said = told ? `${told.value} ± ${told.error} ${character.unit ?? ''}`.trim() : '–';
  const sources = SOURCES.filter((one) => one !== 'practice' || drawsBeatOf(guide));
  const use = () => {
    if (!told) return;
    const { readings } = bench.state.content;
    const reading = { id: readingOf(readings, character.id)?.id ?? mintId(), character: character.id, ...told };
    forget();
    take(reading);
  };
  return (
    <Screen>
      <DangerNotice guide={guide} answer={bench.answer} folded />
      <PageHeading>{`Count the beat: ${character.label}`}</PageHeading>
      {character.help && <Text quiet>{character.help}</Text>}
      <ChoiceGroup
        label="How"
        hideLabel
        options={sources.map((one) => ({ id: one, label: WORDS[one] }))}
        chosen={[source]}
        onChange={([next]) => setAddress({ source: next })}
      />
      {source === 'live' && <TapPad onTap={add} />}
      {source === 'film' && <FilmClip beats={beats} onBeat={add} onOther={() => put([])} />}
      {source === 'practice' && (
        <PracticeClip bench={bench} character={character} beats={beats} onBeat={add} onOther={() => put([])} />
      )}
      <Card title={`${beats.length} ${beats.length === 1 ? 'beat' : 'beats'}`}>
        <Text size="lead" strong figures testID="tempo">
          {said}
        </Text>
        <Text size="small" quiet>
          {tempo
            ? `From ${tempo.interval[0].toPrecision(3)} to ${tempo.interval[1].toPrecision(3)} in 95 of 100, on ${tempo.gaps - tempo.odd.length} gaps.`
            : 'Four beats at least; ten make it fairly sure.'}
        </Text>
        {tempo &&
          sayOdd(tempo).map((words) => (
            <Text key={words} size="small">
              {words}
            </Text>
          ))}
        <Row align="center">
          <Button small label="Undo the last" disabled={beats.length === 0} onPress={() => put(beats.slice(0, -1))} />
          <Button small kind="quiet" label="Begin again" disabled={beats.length === 0} onPress={() => put([])} />
          <Button kind="main" label="Use it" disabled={!told} onPress={use} />
        </Row>
      </Card>
      <Announce>{`${beats.length} beats. ${told ? said : ''}`}</Announce>
    </Screen>
  );
}
