import { type Guide, type Term, termsIn } from '@plesion/core/guide';
import { useState } from 'react';
import { StyleSheet, Text, View } from 'react-native';
import { colour, radius, space } from '../../theme';
import { Button } from '../../ui/Button';
import { Words, type WordsProps } from '../../ui/Words';
import { tilePlate } from '../plates/plates';
import { PlateView } from '../plates/PlateView';

interface TermTextProps extends Omit<WordsProps, 'children'> {
  guide?: Guide;
  text: string;
}

/** A text whose terms open in place, each with a drawing. */
export function TermText({ guide, text, ...words }: TermTextProps) {
  const [open, setOpen] = useState<Term>();
  const runs = guide ? termsIn(guide, text) : [{ text }];
  return (
    <View style={styles.group}>
      <Words {...words}>
        {runs.map((run, i) =>
          'term' in run && run.term ? (
            <Text
              key={i}
              role="button"
              accessibilityLabel={`What is ${run.term.term}?`}
              aria-expanded={open?.id === run.term.id}
              onPress={() => setOpen(open?.id === run.term!.id ? undefined : run.term)}
              style={styles.term}
            >
              {run.text}
            </Text>
          ) : (
            run.text
          ),
        )}
      </Words>
      {open && guide && <TermCard guide={guide} term={open} onClose={() => setOpen(undefined)} />}
    </View>
  );
}

/** A term explained, with its states drawn. */
export function TermCard({ guide, term, onClose }: { guide: Guide; term: Term; onClose?: () => void }) {
  const character = guide.characters.find(({ id }) => id === term.figure?.character);
  return (
    <View role="note" aria-label={term.term} style={styles.card}>
      <View style={styles.head}>
        <Words strong size="small" style={styles.grow}>
          {term.also?.length ? `${term.term} (${term.also[0]})` : term.term}
        </Words>
        {onClose && <Button small kind="quiet" label="Close" hint={`Close ${term.term}`} onPress={onClose} />}
      </View>
      <Words size="small">{term.text}</Words>
      <View style={styles.drawings}>
        {character &&
          term.figure!.states.map((state) => {
            const plate = tilePlate(guide, character, state);
            const label = character.states?.find(({ id }) => id === state)?.label ?? state;
            return (
              plate && (
                <View key={state} style={styles.drawing}>
                  <PlateView plate={plate} width={84} height={84} label={label} />
                  <Words size="small" quiet style={styles.caption}>
                    {label}
                  </Words>
                </View>
              )
            );
          })}
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  group: { gap: space.s },
  term: { textDecorationLine: 'underline', textDecorationStyle: 'dotted', textDecorationColor: colour.kelp, color: colour.kelp },
  card: {
    backgroundColor: colour.paper,
    borderWidth: 1,
    borderColor: colour.hairline,
    borderRadius: radius.m,
    padding: space.m,
    gap: space.xs,
  },
  head: { flexDirection: 'row', alignItems: 'center', gap: space.s },
  grow: { flex: 1 },
  drawings: { flexDirection: 'row', flexWrap: 'wrap', gap: space.m },
  drawing: { alignItems: 'center', width: 96 },
  caption: { textAlign: 'center' },
});
