import { type Figure, figuresOf, type Form, type Guide } from '@plesion/core/guide';
import type { ReactNode } from 'react';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { colour, space, useWide } from '../../theme';
import { Card } from '../../ui/Card';
import { FirstOf } from '../../ui/FirstOf';
import { LinkBox } from '../../ui/LinkBox';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';
import { FigurePicture, FigureWords } from '../figures/FigurePicture';
import { LeaderLines } from '../figures/LeaderLines';
import { leadersOf } from '../figures/leaders';

/** The photographs of a form, with whose they are and on what terms; what is pointed at on them leads to its character. */
export function FiguresCard({ id, guide, form }: { id: string; guide: Guide; form: Form }) {
  const figures = figuresOf(guide, form);
  if (figures.length === 0) return null;
  return (
    <Card title="Photographs" aside={figures.length === 1 ? 'one' : String(figures.length)}>
      <Row gap="l">
        <FirstOf of={figures} keyOf={(figure) => figure.id} first={6} what="photographs">
          {(figure) => <OneFigure id={id} guide={guide} figure={figure} />}
        </FirstOf>
      </Row>
    </Card>
  );
}

const WIDEST = 440;
/** Beside a picture, where there is room for them. */
const LABELS = { width: 190, gap: 12, step: 44 };

function OneFigure({ id, guide, figure }: { id: string; guide: Guide; figure: Figure }) {
  const wide = useWide();
  const width = Math.min(useWindowDimensions().width - 64, WIDEST);
  const height = (width * figure.height) / figure.width;
  const { pins = [] } = figure;
  const label = (character: string) => guide.characters.find((one) => one.id === character)?.label ?? character;
  const ends = wide ? leadersOf(pins, { width, height, step: LABELS.step }) : undefined;
  const link = (character: string, i: number, more: ReactNode) => (
    <LinkBox
      key={character}
      label={more ? `${i + 1}: ${label(character)}` : label(character)}
      href={{ pathname: '/guides/[id]/character', params: { id, character } }}
      gap="s"
      align="center"
      shrink
      across
      oneLine
    >
      {more}
      <Text size="small" shrink>
        {label(character)}
      </Text>
    </LinkBox>
  );
  if (ends && pins.length > 0)
    return (
      <View style={{ width: width + LABELS.gap + LABELS.width, gap: space.xs }}>
        <View>
          <FigurePicture guide={guide} figure={figure} width={width} numbered={false} />
          <LeaderLines
            lines={pins.map(({ x, y }, i) => ({ x, y, to: ends[i] }))}
            width={width}
            height={height}
            gap={LABELS.gap - 4}
          />
          {pins.map(({ character }, i) => (
            <View
              key={character}
              style={[styles.beside, { left: width + LABELS.gap, top: ends[i] - LABELS.step / 2, width: LABELS.width }]}
            >
              {link(character, i, null)}
            </View>
          ))}
        </View>
        <FigureWords guide={guide} figure={figure} />
      </View>
    );
  return (
    <View style={{ width, gap: space.xs }}>
      <FigurePicture guide={guide} figure={figure} width={width} />
      <FigureWords guide={guide} figure={figure} />
      {pins.map(({ character }, i) =>
        link(
          character,
          i,
          <Text size="small" strong color={colour.kelp} figures>
            {i + 1}
          </Text>,
        ),
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  beside: { position: 'absolute', height: LABELS.step, justifyContent: 'center' },
});
