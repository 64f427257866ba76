import type { Guide } from '@plesion/core/guide';
import { type Flock, type Item, oddOf } from '@plesion/core/practice';
import { useCallback, useEffect, useMemo, useState } from 'react';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { numberOf } from '../../lib/numberOf';
import { colour, radius, space } from '../../theme';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Notice } from '../../ui/Notice';
import { Option, Options } from '../../ui/Options';
import { focusHeading } from '../../ui/PageHeading';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
import { useShortcuts } from '../../ui/useShortcuts';
import { overPlate } from '../plates/plates';
import { PlateView } from '../plates/PlateView';
import { FlockPicture } from './FlockPicture';
import { FlockTold } from './FlockTold';
import { flockPlates } from './itemPlate';
import { useGiven } from './keptTurn';
import { sayReading } from './sayReading';
import { TallyButtons } from './TallyButtons';
import { useGlimpse } from './useGlimpse';
import type { usePractice } from './usePractice';

const WIDEST = 560;

interface FlockItemProps {
  guide: Guide;
  item: Item;
  /** s. */
  glimpse?: number;
  /** Why it is asked now. */
  why?: string;
  practice: ReturnType<typeof usePractice>;
}

const ASKS: Record<Flock['task'], string> = {
  odd: 'One of them is of another kind. Which?',
  many: 'How many are there, about?',
  tally: 'How many of each?',
};

const MISSING: Record<Flock['task'], string> = {
  odd: 'Touch the odd one.',
  many: 'Say about how many there are.',
  tally: 'Count them: press a button for each that you see.',
};

/** Many at once: the odd one of them, how many there are, or how many of each; and then the truth. */
export function FlockItem({ guide, item, glimpse, why, practice: { answer, told, next, tally, problem: kept } }: FlockItemProps) {
  const flock = item.flock!;
  const { task, across } = flock;
  const width = Math.min(WIDEST, useWindowDimensions().width - 4 * space.m);
  const [{ picked, number, counts }, setGiven] = useGiven(item.seed);
  const [typed, setTyped] = useState(() => String(number ?? (picked === undefined ? '' : picked + 1)));
  const [inWords, setInWords] = useState(false);
  const [problem, setProblem] = useState<string>();
  const look = useGlimpse(glimpse);
  const plates = useMemo(() => flockPlates(guide, item), [guide, item]);
  const view = guide.views.find((one) => one.id === item.view)?.label ?? item.view;
  // Come to by a button that is gone.
  useEffect(() => {
    if (tally.answers > 0) focusHeading();
    // oxlint-disable-next-line react-hooks/exhaustive-deps -- once, as it comes
  }, []);
  const send = useCallback(() => {
    if (told) return next();
    const given = { odd: { picked }, many: { number }, tally: { counts } }[task];
    if (Object.values(given).every((one) => one === undefined)) return setProblem(MISSING[task]);
    setProblem(undefined);
    answer({ groups: [], sure: 'sure', ...given, ...(look.again > 0 ? { again: look.again } : {}) });
  }, [answer, counts, look.again, next, number, picked, task, told]);
  useShortcuts(
    useCallback(
      ({ key, target }: KeyboardEvent) =>
        key === ' ' && !(target instanceof HTMLElement && target.closest('button, a, [role=radio], [role=button]'))
          ? send
          : undefined,
      [send],
    ),
  );
  const sayMember = (i: number) =>
    flock.individuals[flock.members[i].of].readings.map((one) => sayReading(guide, one)).join('; ');
  return (
    <>
      <Card aside={tally.answers > 0 ? `${tally.right} of ${tally.answers} right` : undefined} title={view}>
        <Text strong>{ASKS[task]}</Text>
        {why && (
          <Text size="small" quiet>
            {why}
          </Text>
        )}
        {!look.shown && !told ? (
          <Stack align="center" justify="center" style={{ minHeight: width / across }}>
            <Text quiet>They are gone.</Text>
            <Button small label="Look again" hint="Look again; it is kept that you did" onPress={look.look} />
          </Stack>
        ) : inWords ? (
          <View role="list">
            {flock.members.map((_, i) => (
              <View key={i} role="listitem">
                <Text size="small">{`${i + 1}: ${sayMember(i)}`}</Text>
              </View>
            ))}
          </View>
        ) : task === 'odd' ? (
          <Options label="Which is the odd one" self="center" style={{ width, height: width / across }}>
            {flock.members.map(({ of, x, y, turned }, i) => {
              const side = flock.size * width;
              const size = overPlate(plates[of], side - 2 * EDGE, side - 2 * EDGE);
              const odd = told && i === oddOf(item);
              return (
                <Option
                  key={i}
                  on={picked === i}
                  off={Boolean(told)}
                  label={`Number ${i + 1}`}
                  onPress={() => setGiven({ picked: i })}
                  style={[
                    styles.member,
                    { left: x * width - side / 2, top: (y * width) / across - side / 2, width: side, height: side },
                    picked === i && styles.picked,
                    odd && styles.odd,
                  ]}
                >
                  <View style={{ transform: [{ rotate: `${turned}deg` }] }}>
                    <PlateView plate={plates[of]} {...size} />
                  </View>
                </Option>
              );
            })}
          </Options>
        ) : (
          <FlockPicture
            flock={flock}
            plates={plates}
            width={width}
            label={task === 'many' ? 'A flock' : `A colony of ${flock.members.length}`}
          />
        )}
        {!told && (
          <>
            {task !== 'many' && (
              <Box align="end">
                <Button
                  small
                  kind="quiet"
                  label={inWords ? 'Show them drawn' : 'Tell them in words'}
                  onPress={() => setInWords(!inWords)}
                />
              </Box>
            )}
            {inWords && task === 'odd' && (
              <TextField
                label="The number of the odd one"
                inputMode="numeric"
                value={typed}
                onChangeText={(text) => {
                  setTyped(text);
                  const said = numberOf(text);
                  setGiven({ picked: said && said <= flock.members.length ? Math.round(said) - 1 : undefined });
                }}
              />
            )}
            {task === 'many' && (
              <TextField
                label="How many, about"
                inputMode="numeric"
                value={typed}
                onSubmitEditing={send}
                onChangeText={(text) => {
                  setTyped(text);
                  const said = numberOf(text);
                  setGiven({ number: said && said > 0 ? Math.round(said) : undefined });
                }}
              />
            )}
            {task === 'tally' && (
              <TallyButtons guide={guide} item={item} counts={counts} onChange={(next) => setGiven({ counts: next })} />
            )}
            {problem && <Notice kind="problem">{problem}</Notice>}
            <Row justify="end">
              <Button kind="main" label="Answer" onPress={send} />
            </Row>
          </>
        )}
        {kept && <Notice kind="problem">{kept}</Notice>}
      </Card>
      {told && <FlockTold guide={guide} item={item} told={told} given={{ picked, number, counts }} onNext={next} />}
    </>
  );
}

const EDGE = 3;

const styles = StyleSheet.create({
  member: {
    position: 'absolute',
    alignItems: 'center',
    justifyContent: 'center',
    borderRadius: radius.m,
    borderWidth: EDGE,
    borderColor: 'transparent',
  },
  picked: { borderColor: colour.kelp },
  odd: { borderColor: colour.hazard, borderStyle: 'dashed' },
});
