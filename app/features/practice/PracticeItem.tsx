import type { Guide } from '@plesion/core/guide';
import type { Item } from '@plesion/core/practice';
import { CERTAINTY_WORDS, CERTAINTY } from '@plesion/core/practice/schema';
import { useEffect, useMemo, useState } from 'react';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { v7 as mintId } from 'uuid';
import { space } from '../../theme';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Notice } from '../../ui/Notice';
import { focusHeading } from '../../ui/PageHeading';
import { Text } from '../../ui/Text';
import { overPlate } from '../plates/plates';
import { PlateView } from '../plates/PlateView';
import { planOf } from '../records/plans';
import { sayGroup, Told } from './Told';
import type { Said, usePractice } from './usePractice';

/** Stands among the choices; no group of a guide has it. */
const UNTOLD = '·untold';
const WIDEST = 560;
const TALLEST = 360;

interface PracticeItemProps {
  guide: Guide;
  item: Item;
  practice: ReturnType<typeof usePractice>;
}

/** One individual: what is it, how sure is one, and then the truth. */
export function PracticeItem({ guide, item, practice: { answer, next, tally } }: PracticeItemProps) {
  const room = Math.min(WIDEST, useWindowDimensions().width - 4 * space.m);
  const [id] = useState(() => mintId());
  const [chosen, setChosen] = useState<string[]>([]);
  const [sure, setSure] = useState<Said['sure']>();
  const [problem, setProblem] = useState<string>();
  // Come to by a button that is gone.
  useEffect(() => {
    if (tally.answers > 0) focusHeading();
    // oxlint-disable-next-line react-hooks/exhaustive-deps -- once, as it comes
  }, []);
  // Thousands of strokes: not with each choice that is touched.
  const plate = useMemo(() => planOf(guide)!.draw(item.traits, item.view, 'full'), [guide, item]);
  const size = overPlate(plate, room, TALLEST);
  const view = guide.views.find((one) => one.id === item.view)?.label ?? item.view;
  const choose = (all: string[]) => {
    // The newest two; that it cannot be told stands alone.
    const last = all.at(-1);
    setChosen(last === UNTOLD ? [UNTOLD] : all.filter((one) => one !== UNTOLD).slice(-2));
  };
  const send = () => {
    const untold = chosen.includes(UNTOLD);
    if (!chosen.length) return setProblem('Say what it is, which two it may be, or that it cannot be told.');
    if (!untold && !sure) return setProblem('Say how sure you are.');
    setProblem(undefined);
    answer.mutate({ id, said: { groups: untold ? [] : chosen, sure: sure ?? 'guess' } });
  };
  return (
    <>
      <Card aside={tally.answers > 0 ? `${tally.right} of ${tally.answers} right` : undefined} title={view}>
        <View style={styles.plate}>
          <PlateView plate={plate} width={size.width} height={size.height} label={`An individual, ${view}`} />
        </View>
        {!answer.data && (
          <>
            <ChoiceGroup
              label="What is it? One, or the two it may be"
              many
              options={[
                ...item.choices.map((choice) => ({ id: choice.id, label: sayGroup(guide, choice) })),
                { id: UNTOLD, label: 'cannot be told' },
              ]}
              chosen={chosen}
              onChange={choose}
            />
            <ChoiceGroup
              label="How sure"
              options={CERTAINTY_WORDS.map((word) => ({ id: word, label: word }))}
              chosen={sure ? [sure] : []}
              onChange={([word]) => setSure(word)}
            />
            <Text size="small" quiet>
              {sure ? sayCertainty(sure) : 'Each word stands for how often you would be right with it.'}
            </Text>
            {(problem || answer.error) && <Notice kind="problem">{problem ?? answer.error!.message}</Notice>}
            <View style={styles.foot}>
              <Button kind="main" label="Answer" busy={answer.isPending} onPress={send} />
            </View>
          </>
        )}
      </Card>
      {answer.data && (
        <Told guide={guide} item={item} scored={answer.data} said={chosen.includes(UNTOLD) ? [] : chosen} onNext={next} />
      )}
    </>
  );
}

const sayCertainty = (word: Said['sure']): string =>
  word === 'guess'
    ? 'A guess: right as often as chance.'
    : `${word}: right ${Math.round(CERTAINTY[word] * 100)} times in a hundred.`;

const styles = StyleSheet.create({
  plate: { alignItems: 'center' },
  foot: { flexDirection: 'row', justifyContent: 'flex-end' },
});
