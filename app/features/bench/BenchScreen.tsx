import type { Standing } from '@plesion/core/evidence';
import { shownAt } from '@plesion/core/guide';
import type { Reading } from '@plesion/core/observation';
import { Redirect, useRouter } from 'expo-router';
import { useCallback, useDeferredValue, useState } from 'react';
import { ScrollView, StyleSheet, useWindowDimensions, View } from 'react-native';
import { colour, space, useWide } from '../../theme';
import { useTight } from '../../theme/appearance';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { Screen } from '../../ui/Screen';
import { Card } from '../../ui/Card';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Box } from '../../ui/Box';
import { Row } from '../../ui/Row';
import { DangerNotice } from '../judgement/DangerNotice';
import { drawnViews, mainView } from '../plates/plates';
import { SavingTrouble } from '../records/SavingTrouble';
import { BenchHead } from './BenchHead';
import { keysOf } from './benchKeys';
import { CallBar } from './CallBar';
import { CharacterEditor } from './CharacterEditor';
import { CharacterList } from './CharacterList';
import { Follows } from './Follows';
import { KeyHelp } from '../reading/KeyHelp';
import { LeaderPlates } from './LeaderPlates';
import { ReadingEditor } from './ReadingEditor';
import { CharacterPanel } from './CharacterPanel';
import { MeasuringError } from './MeasuringError';
import { MiniBeam } from './MiniBeam';
import { NextLookSheet } from './NextLookSheet';
import { readingOf } from '../analysis/readings';
import { type Bench, onceWeighed, settingOf, useBench } from '../analysis/useBench';
import { KEY_HELP, useBenchKeys } from './useBenchKeys';

/**
 * The Bench: characters to read, and what they make of the specimen.
 *
 * @param visit the visit whose catch sheet one came from.
 */
export function BenchScreen({ id, visit }: { id: string; visit?: string }) {
  const { bench, guideless, error, retry } = useBench(id);
  const wide = useWide();
  if (guideless && !error) return <Redirect href={`/specimens/${id}`} />;
  return (
    <AsyncScreen what="The specimen" value={onceWeighed(bench)} error={error} retry={retry}>
      {(open) => (wide ? <WideBench id={id} visit={visit} bench={open} /> : <PhoneBench id={id} visit={visit} bench={open} />)}
    </AsyncScreen>
  );
}

/** An answer is marked first, and what follows from it comes a moment later; nothing of it as the page opens. */
const useCalm = (bench: Bench): Bench | undefined => useDeferredValue<Bench | undefined>(bench, undefined);

interface PartProps {
  id: string;
  visit?: string;
  bench: Bench;
}

function Head({ id, visit, bench, calm }: PartProps & { calm?: Bench }) {
  const { stored, state, answer } = calm ?? bench;
  return <BenchHead {...{ id, visit, state, answer }} guide={stored.guide} drawn={calm !== undefined} />;
}

function PhoneBench({ id, visit, bench }: PartProps) {
  const {
    stored: { guide },
    state,
    answer,
  } = bench;
  const [next, setNext] = useState<string>();
  const tight = useTight();
  const calm = useCalm(bench);
  return (
    <Box fill>
      <DangerNotice guide={guide} answer={answer} folded={tight} />
      <Screen
        footFolds
        foot={
          <View>
            {answer && !tight && <MiniBeam answer={answer} />}
            <CallBar id={id} answer={answer} />
          </View>
        }
      >
        <Head id={id} visit={visit} bench={bench} calm={calm} />
        <SavingTrouble draft={bench.draft} state={state} />
        <WeighTrouble error={bench.weighError} />
        {answer && <NextLook bench={bench} answer={answer} chosen={next} onChoose={setNext} />}
        {calm && <Follows id={id} bench={calm} />}
      </Screen>
      {bench.chosen && (
        <CharacterPanel title={bench.chosen.label} onClose={() => bench.choose(undefined)}>
          <DangerNotice guide={guide} answer={answer} folded />
          <ReadingEditor bench={bench} plateWidth={300} />
        </CharacterPanel>
      )}
    </Box>
  );
}

/** Widths of the rail, of the columns to either side, and of what stands round a plate between them. */
const RAIL = 208;
const CHARACTERS = 264;
const STANDING = 392;
const BESIDE = RAIL + CHARACTERS + STANDING + 4 * space.l;

/** A plate to measure on fills its card, within these. */
const LEAST_PLATE = 240;
const MOST_PLATE = 420;

function WideBench({ id, visit, bench }: PartProps) {
  const {
    stored: { guide },
    state,
    answer,
  } = bench;
  const [help, setHelp] = useState(false);
  const showHelp = useCallback(() => setHelp((before) => !before), []);
  const calm = useCalm(bench);
  const plateWidth = Math.max(LEAST_PLATE, Math.min(MOST_PLATE, useWindowDimensions().width - BESIDE));
  const router = useRouter();
  const offered = answer?.nextLooks.find((look) => !look.setAside)?.character;
  const chosen = bench.chosen ?? guide.characters.find((c) => c.id === offered);
  const shown = {
    ...bench,
    chosen,
    reading: chosen && readingOf(state.content.readings, chosen.id),
    // What is being read stays under the hand, though another is offered next now.
    put(reading: Reading) {
      if (!bench.chosen && chosen) bench.choose(chosen.id);
      bench.put(reading);
    },
  };
  useBenchKeys(
    keysOf(
      shown,
      () => offered && bench.choose(offered),
      () => router.push(`/specimens/${id}/name`),
      showHelp,
    ),
  );
  return (
    <Box fill>
      <Box tone="mist">
        <DangerNotice guide={guide} answer={answer} />
      </Box>
      <Row fill tone="mist" oneLine="always" gap="none">
        <ScrollView style={styles.characters} contentContainerStyle={styles.column}>
          <CharacterList
            guide={guide}
            readings={state.content.readings}
            chosen={chosen?.id}
            setAside={answer?.setAside}
            onChoose={bench.choose}
          />
        </ScrollView>
        <ScrollView style={styles.middle} contentContainerStyle={styles.column}>
          {help && <KeyHelp keys={KEY_HELP} onClose={() => setHelp(false)} />}
          <Head id={id} visit={visit} bench={bench} calm={calm} />
          <SavingTrouble draft={bench.draft} state={state} />
          <WeighTrouble error={bench.weighError} />
          {chosen && (
            <Card title={chosen.label} aside={chosen.id === offered ? 'offered next' : undefined}>
              <ReadingEditor bench={shown} keys plateWidth={plateWidth} />
            </Card>
          )}
          {answer && (
            <LeaderPlates
              guide={guide}
              answer={answer}
              view={
                drawnViews(guide).find(({ id: view }) => view === (chosen && shownAt(guide, chosen)?.view))?.id ?? mainView(guide)
              }
            />
          )}
          {answer && (
            <NextLookSheet guide={guide} answer={answer} onChoose={bench.choose} chosen={chosen?.id}>
              <MeasuringError bench={bench} />
              {offered && chosen?.id !== offered && <Button small label="Go to it" onPress={() => bench.choose(offered)} />}
            </NextLookSheet>
          )}
        </ScrollView>
        <Box wide={STANDING}>
          <ScrollView contentContainerStyle={styles.column}>{calm && <Follows wide id={id} bench={calm} />}</ScrollView>
          <Box pad="m" ruled="above" ruledIn="hairline" tone="sheet">
            <CallBar id={id} answer={answer} keys={showHelp} />
          </Box>
        </Box>
      </Row>
    </Box>
  );
}

function NextLook({
  bench,
  answer,
  chosen,
  onChoose,
}: {
  bench: Bench;
  answer: Standing;
  chosen?: string;
  onChoose: (id: string) => void;
}) {
  const open = answer.nextLooks.filter((look) => !look.setAside);
  const at = open.find((look) => look.character === chosen) ?? open[0];
  const { guide } = bench.stored;
  const character = guide.characters.find((c) => c.id === at?.character);
  return (
    <NextLookSheet guide={guide} answer={answer} chosen={chosen} onChoose={onChoose}>
      <MeasuringError bench={bench} />
      {character && (
        <CharacterEditor
          key={character.id}
          guide={guide}
          character={character}
          answer={answer}
          setting={settingOf(bench)}
          given={readingOf(bench.state.content.readings, character.id)}
          onPut={bench.put}
          onClear={bench.clear}
          onLookAgain={bench.lookAgain}
        />
      )}
    </NextLookSheet>
  );
}

const WeighTrouble = ({ error }: { error: unknown }) =>
  error ? <Notice kind="problem">{error instanceof Error ? error.message : 'The readings could not be weighed.'}</Notice> : null;

const styles = StyleSheet.create({
  characters: {
    width: CHARACTERS,
    flexGrow: 0,
    backgroundColor: colour.sheet,
    borderRightWidth: 1,
    borderColor: colour.hairline,
  },
  middle: { flex: 1 },
  column: { padding: space.l, gap: space.m },
});
