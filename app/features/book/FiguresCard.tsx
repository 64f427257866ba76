import { type Figure, figuresOf, type Form, type Guide } from '@plesion/core/guide';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { colour, space } from '../../theme';
import { Card } from '../../ui/Card';
import { FirstOf } from '../../ui/FirstOf';
import { LinkBox } from '../../ui/LinkBox';
import { Text } from '../../ui/Text';
import { FigurePicture, FigureWords } from '../figures/FigurePicture';

/** The photographs of a form, with whose they are and on what terms; what is pointed at on them leads to its character. */
export default function FiguresCard({ id, guide, form }: { id: string; guide: Guide; form: Form }) {
  const figures = figuresOf(guide, form);
  if (figures.length === 0) return null;
  return (
    <Card title="Photographs" aside={figures.length === 1 ? 'one' : String(figures.length)}>
      <View style={styles.figures}>
        <FirstOf of={figures} keyOf={(figure) => figure.id} first={6} what="photographs">
          {(figure) => <OneFigure id={id} guide={guide} figure={figure} />}
        </FirstOf>
      </View>
    </Card>
  );
}

const WIDEST = 440;

function OneFigure({ id, guide, figure }: { id: string; guide: Guide; figure: Figure }) {
  const width = Math.min(useWindowDimensions().width - 64, WIDEST);
  const { pins = [] } = figure;
  const label = (character: string) => guide.characters.find((one) => one.id === character)?.label ?? character;
  return (
    <View style={{ width, gap: space.xs }}>
      <FigurePicture guide={guide} figure={figure} width={width} />
      <FigureWords guide={guide} figure={figure} />
      {pins.map(({ character }, i) => (
        <LinkBox
          key={character}
          label={`${i + 1}: ${label(character)}`}
          href={{ pathname: '/guides/[id]/character', params: { id, character } }}
          style={styles.pin}
        >
          <Text size="small" strong color={colour.kelp} figures>
            {i + 1}
          </Text>
          <Text size="small" style={styles.grow}>
            {label(character)}
          </Text>
        </LinkBox>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  figures: { flexDirection: 'row', flexWrap: 'wrap', gap: space.l },
  pin: { flexDirection: 'row', alignItems: 'center', gap: space.s, minHeight: 44, flexShrink: 1 },
  grow: { flexShrink: 1 },
});
