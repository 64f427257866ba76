import { type Guide, type Term, termsIn } from '@plesion/core/guide';
import { useState } from 'react';
import { StyleSheet, Text as NativeText } from 'react-native';
import { Rect } from 'react-native-svg';
import { colour } from '../../theme';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text, type TextProps } from '../../ui/Text';
import { emblems } from '../plates/emblems';
import { formPlate } from '../plates/plates';
import { PlateView } from '../plates/PlateView';
import { hasTile, StateTile } from '../plates/StateTile';

interface TermTextProps extends Omit<TextProps, 'children'> {
  guide?: Guide;
  text: string;
}

/** A text whose terms open in place, each with a drawing. */
export function TermText({ guide, text, ...words }: TermTextProps) {
  const [open, setOpen] = useState<Term>();
  const runs = guide ? termsIn(guide, text) : [{ text }];
  return (
    <Stack>
      <Text {...words}>
        {runs.map((run, i) =>
          'term' in run && run.term ? (
            <NativeText
              key={i}
              role="button"
              accessibilityLabel={`${run.text}: what is ${run.term.term}?`}
              aria-expanded={open?.id === run.term.id}
              onPress={() => setOpen(open?.id === run.term!.id ? undefined : run.term)}
              style={styles.term}
            >
              {run.text}
            </NativeText>
          ) : (
            run.text
          ),
        )}
      </Text>
      {open && guide && <TermCard guide={guide} term={open} onClose={() => setOpen(undefined)} />}
    </Stack>
  );
}

/** A term explained, with its states drawn. */
export function TermCard({ guide, term, onClose }: { guide: Guide; term: Term; onClose?: () => void }) {
  return (
    <Stack role="note" aria-label={term.term} gap="xs" pad="m" ruled="round" ruledIn="hairline" round="m" tone="paper">
      <Row align="center" oneLine>
        <Text strong size="small" fill>
          {term.also?.length ? `${term.term} (${term.also[0]})` : term.term}
        </Text>
        {onClose && <Button small kind="quiet" label="Close" hint={`Close ${term.term}`} onPress={onClose} />}
      </Row>
      <Text size="small">{term.text}</Text>
      {term.figure && <Figure guide={guide} figure={term.figure} />}
    </Stack>
  );
}

/** A term drawn: the states that show it, or the part of a plate that it names. */
function Figure({ guide, figure }: { guide: Guide; figure: NonNullable<Term['figure']> }) {
  if ('part' in figure) return <PartFigure guide={guide} {...figure} />;
  const character = guide.characters.find(({ id }) => id === figure.character);
  return (
    <Row gap="m">
      {character &&
        figure.states.map((state) => {
          const label = character.states?.find(({ id }) => id === state)?.label ?? state;
          return (
            hasTile(guide, character, state) && (
              <Box key={state} align="center" wide={96}>
                <StateTile guide={guide} character={character} state={state} size={84} label={label} />
                <Text size="small" quiet set="centre">
                  {label}
                </Text>
              </Box>
            )
          );
        })}
    </Row>
  );
}

function PartFigure({ guide, view, part }: { guide: Guide; view: string; part: string }) {
  const plate = formPlate(guide, emblems(guide)[0].id, view, 'thumb');
  const lit = plate?.parts[part];
  if (!plate || !lit) return null;
  const unit = plate.box.width / 170;
  return (
    <PlateView plate={plate} width={170} height={(170 * plate.box.height) / plate.box.width} label={part}>
      <Rect
        x={(lit.x - 3 * unit) * 100}
        y={(lit.y - 3 * unit) * 100}
        width={(lit.width + 6 * unit) * 100}
        height={(lit.height + 6 * unit) * 100}
        rx={600 * unit}
        fill="none"
        stroke="#9A5B00"
        strokeWidth={220 * unit}
      />
    </PlateView>
  );
}

const styles = StyleSheet.create({
  term: { textDecorationLine: 'underline', textDecorationStyle: 'dotted', textDecorationColor: colour.kelp, color: colour.kelp },
});
