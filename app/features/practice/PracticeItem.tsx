import type { Guide } from '@plesion/core/guide';
import { type Asked, beatsOf, type Item, type PracticeAnswer, readableIn, sayGroup } from '@plesion/core/practice';
import { CERTAINTY, CERTAINTY_WORDS } from '@plesion/core/practice/schema';
import { useEffect, useMemo, useState } from 'react';
import { View } from 'react-native';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Notice } from '../../ui/Notice';
import { Picker } from '../../ui/Picker';
import { focusHeading } from '../../ui/PageHeading';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { useShortcuts } from '../../ui/useShortcuts';
import { planOf } from '../records/plans';
import { GoneBy } from './GoneBy';
import { ItemPicture } from './ItemPicture';
import { useGiven } from './keptTurn';
import { sayReading } from './sayReading';
import { Told } from './Told';
import { useGlimpse } from './useGlimpse';
import type { Turns } from './usePractice';

/** Stands among the choices; no group of a guide has it. */
const UNTOLD = '·untold';
const MANY = 18;

interface PracticeItemProps {
  guide: Guide;
  item: Item;
  asked: Asked;
  /** Why it is asked now. */
  why?: string;
  practice: Turns;
}

/** One individual: by what does one go, what is it, how sure is one; and then the truth. */
export function PracticeItem({
  guide,
  item,
  asked: { character: drill, spot: finds, glimpse, situation },
  why,
  practice: { answer, told, next, tally, problem: kept },
}: PracticeItemProps) {
  const [{ chosen, sure, wentBy }, give] = useGiven(item.seed, drill === undefined ? {} : { wentBy: { character: drill } });
  const [touched, setTouched] = useState<string[]>();
  const [inWords, setInWords] = useState(false);
  const [problem, setProblem] = useState<string>();
  // Come to by a button that is gone.
  useEffect(() => {
    if (tally.answers > 0) focusHeading();
    // oxlint-disable-next-line react-hooks/exhaustive-deps -- once, as it comes
  }, []);
  const characters = useMemo(() => {
    const plan = planOf(guide);
    if (!plan || item.photo) return [];
    return [...readableIn(guide, plan, item.view), ...(item.beats === undefined ? [] : beatsOf(guide, plan))];
  }, [guide, item]);
  const look = useGlimpse(glimpse);
  const view = guide.views.find((one) => one.id === item.view)?.label ?? (item.photo ? 'A photograph' : item.view);
  const choose = (all: string[]) => {
    // The newest two; that it cannot be told stands alone.
    const last = all.at(-1);
    give({ chosen: last === UNTOLD ? [UNTOLD] : all.filter((one) => one !== UNTOLD).slice(-2) });
  };
  const again = look.again > 0 ? { again: look.again } : {};
  const send = () => {
    if (told) return next();
    const untold = chosen.includes(UNTOLD);
    if (drill !== undefined || finds) {
      if (!wentBy) return setProblem('Touch the mark, or choose it from the list.');
      if (!finds && wentBy.says === undefined) return setProblem('Say what you see in it.');
      setProblem(undefined);
      return answer({ groups: [], sure: sure ?? 'fairly sure', wentBy, ...again });
    }
    if (!chosen.length) return setProblem('Say what it is, which two it may be, or that it cannot be told.');
    if (!untold && !sure) return setProblem('Say how sure you are.');
    setProblem(undefined);
    answer({ groups: untold ? [] : chosen, sure: sure ?? 'guess', ...(wentBy ? { wentBy } : {}), ...again });
  };
  const states = drill === undefined ? undefined : characters.find(({ id }) => id === drill)?.states;
  const choices = useMemo(
    () => [
      ...item.choices.map((choice) => ({ id: choice.id, label: sayGroup(guide, choice) })),
      { id: UNTOLD, label: 'cannot be told' },
    ],
    [guide, item],
  );
  // Of many one looks for the name; nobody reads a wall of them.
  const many = choices.length > MANY;
  // Numbers choose, the first letter of a word of certainty says how sure, space answers and goes on.
  useShortcuts(({ key, target }) => {
    const pressed = target instanceof HTMLElement && target.closest('button, a, [role=radio], [role=checkbox], [role=button]');
    if (key === ' ' && !pressed) return send;
    if (told || finds) return undefined;
    const word = CERTAINTY_WORDS.find((one) => one[0] === key);
    if (word) return () => give({ sure: word });
    if (!/^[1-9]$/.test(key)) return undefined;
    const at = Number(key) - 1;
    if (drill !== undefined) return states?.[at] && (() => give({ wentBy: { character: drill, says: states[at].id } }));
    return choices[at] && (() => choose([...chosen.filter((one) => one !== choices[at].id), choices[at].id]));
  });
  return (
    <>
      <Card aside={tally.answers > 0 ? `${tally.right} of ${tally.answers} right` : undefined} title={view}>
        {finds && !told && <Text strong>{sayFind(guide, item)}</Text>}
        {why && (
          <Text size="small" quiet>
            {why}
          </Text>
        )}
        {inWords ? (
          <View role="list">
            {item.truth.readings.map((reading) => (
              <View key={reading.character} role="listitem">
                <Text>{sayReading(guide, reading)}</Text>
              </View>
            ))}
          </View>
        ) : !look.shown && !told ? (
          <Stack align="center" justify="center" leastTall={240}>
            <Text quiet>It is gone.</Text>
            <Button small label="Look again" hint="Look again, for half a bit" onPress={look.look} />
            <Text size="small" quiet>
              It costs half a bit.
            </Text>
          </Stack>
        ) : (
          <ItemPicture
            guide={guide}
            item={item}
            view={view}
            characters={characters}
            situation={situation}
            told={Boolean(told)}
            touchable={drill === undefined}
            onTouch={(marks) => {
              setTouched(marks);
              if (marks.length === 1) give({ wentBy: { character: marks[0] } });
            }}
          />
        )}
        {!told && (
          <>
            {/* Who reads a mark would be told what it is. */}
            {drill === undefined && !item.photo && (
              <Box align="end">
                <Button
                  small
                  kind="quiet"
                  label={inWords ? 'Show it drawn' : 'Tell it in words'}
                  onPress={() => setInWords(!inWords)}
                />
              </Box>
            )}
            {!item.photo && (
              <GoneBy
                characters={characters.filter(({ id }) => drill === undefined || id === drill)}
                touched={touched && characters.filter(({ id }) => touched.includes(id))}
                value={wentBy}
                onChange={(mark) => give({ wentBy: mark })}
                only={drill !== undefined}
                names={Boolean(finds)}
              />
            )}
            {drill === undefined && !finds && (
              <>
                <ChoiceGroup
                  label="What is it? One, or the two it may be"
                  many
                  options={many ? choices.filter(({ id }) => id === UNTOLD || chosen.includes(id)) : choices}
                  chosen={chosen}
                  onChange={choose}
                />
                {many && (
                  <Picker
                    label="Names"
                    items={choices.filter(({ id }) => id !== UNTOLD && !chosen.includes(id))}
                    onChange={(id) => choose([...chosen, id])}
                  />
                )}
                <ChoiceGroup
                  label="How sure"
                  options={CERTAINTY_WORDS.map((word) => ({ id: word, label: word }))}
                  chosen={sure ? [sure] : []}
                  onChange={([word]) => give({ sure: word })}
                />
                <Text size="small" quiet>
                  {sure ? sayCertainty(sure) : 'Each word stands for how often you would be right with it.'}
                </Text>
              </>
            )}
            {problem && <Notice kind="problem">{problem}</Notice>}
            <Row justify="end">
              <Button kind="main" label="Answer" onPress={send} />
            </Row>
          </>
        )}
        {kept && <Notice kind="problem">{kept}</Notice>}
      </Card>
      {told && (
        <Told
          guide={guide}
          item={item}
          told={told}
          said={chosen.includes(UNTOLD) ? [] : chosen}
          wentBy={wentBy}
          situation={situation}
          task={finds ? 'spot' : drill === undefined ? 'name' : 'mark'}
          onNext={next}
        />
      )}
    </>
  );
}

/** What is to be found, in a sentence. */
function sayFind(guide: Guide, { choices, truth }: Item): string {
  const name = (one: Item['choices'][number] | undefined) => (one ? sayGroup(guide, one) : 'other');
  const [own, other] = [choices.find(({ id }) => id === truth.group), choices.find(({ id }) => id !== truth.group)];
  return `It is the ${name(own)}, and not the ${name(other)}. By what?`;
}

const sayCertainty = (word: PracticeAnswer['sure']): string =>
  word === 'guess'
    ? 'A guess: right as often as chance.'
    : `${word}: right ${Math.round(CERTAINTY[word] * 100)} times in a hundred.`;
