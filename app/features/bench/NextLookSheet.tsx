import type { Standing } from '@plesion/core/evidence';
import { inHundred } from '@plesion/core/evidence';
import { type Guide, shortName } from '@plesion/core/guide';
import { memo, type ReactNode } from 'react';
import { colour } from '../../theme';
import { Card } from '../../ui/Card';
import { PressBox } from '../../ui/PressBox';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';

type NextLook = Standing['nextLooks'][number];

interface NextLookSheetProps {
  guide: Guide;
  answer: Standing;
  /** The look whose tiles are shown. */
  chosen?: string;
  onChoose: (character: string) => void;
  /** Tiles of the chosen look. */
  children?: ReactNode;
}

const SET_ASIDE = {
  view: 'needs a view you do not have',
  handling: 'needs more handling than is allowed',
  distance: 'needs to be nearer',
  danger: 'is withheld while a dangerous one is possible',
  date: 'holds at another season',
  region: 'holds in another region',
  circumstances: 'holds in other circumstances',
  facets: 'holds for another age or sex',
} as const;
const MOST = 4;

const labelIn = ({ characters }: Guide, id: string): string => characters.find((c) => c.id === id)?.label ?? id;

/** What to look at next, best first, and why; what cannot be read now stands apart with the reason. */
export function NextLookSheet({ guide, answer, chosen, onChoose, children }: NextLookSheetProps) {
  const labelOf = (id: string) => labelIn(guide, id);
  const open = answer.nextLooks.filter((look) => !look.setAside);
  const hindered = answer.nextLooks.filter((look) => look.setAside && look.bits > 0.1).slice(0, 2);
  const first = open.find((look) => look.character === chosen) ?? open[0];
  const level = answer.nextLevel.kind === 'rank' ? answer.nextLevel.rank : answer.nextLevel.facet;
  return (
    <Card title={first ? `Look next: ${labelOf(first.character).toLowerCase()}` : 'Nothing left to look at'}>
      {first ? (
        <Text quiet size="small">{`To settle the ${level}. ${sayWhy(first)}`}</Text>
      ) : (
        <Text quiet>No other character would change this much. Write it down as far as it goes.</Text>
      )}
      {first?.answers && <Answers guide={guide} look={first} level={answer} />}
      {children}
      {answer.settling && answer.settling.characters.length > 0 && (
        <Text size="small" testID="settling">
          {`${answer.settling.reaches ? 'Would usually settle it' : 'Would help most, though not settle it'}: ${answer.settling.characters.map((id) => labelOf(id).toLowerCase()).join(' + ')}.`}
        </Text>
      )}
      <Others guide={guide} answer={answer} first={first?.character} onChoose={onChoose} />
      {hindered.map((look) => (
        <Text
          key={look.character}
          size="small"
          quiet
        >{`${labelOf(look.character)} would help, but ${SET_ASIDE[look.setAside!]}.`}</Text>
      ))}
    </Card>
  );
}

/** The looks that come after the first. */
const Others = memo(function Others({
  guide,
  answer,
  first,
  onChoose,
}: Pick<NextLookSheetProps, 'guide' | 'answer' | 'onChoose'> & { first?: string }) {
  const others = answer.nextLooks.filter((look) => !look.setAside && look.character !== first).slice(0, MOST);
  if (others.length === 0) return null;
  return (
    <Row align="center">
      <Text size="small" quiet>
        or
      </Text>
      {others.map((look) => (
        <PressBox
          key={look.character}
          role="button"
          onPress={() => onChoose(look.character)}
          across
          oneLine
          align="center"
          touch
          most="all"
          padX="m"
          gap="s"
          ruled="round"
          ruledIn="hairline"
          round="l"
        >
          <Text size="small" color={colour.kelp} strong shrink>
            {labelIn(guide, look.character)}
          </Text>
          <Text size="small" quiet>
            {look.bits.toFixed(2)}
          </Text>
        </PressBox>
      ))}
    </Row>
  );
});

const HANDLING = { look: 'by looking', touch: 'by touch', hold: 'held', instrument: 'held and measured' } as const;

function sayWhy({ bits, seconds, sameView, chance, handling }: NextLook): string {
  const worth = `Worth ${bits.toFixed(2)} bits on average`;
  const cost = `about ${Math.round(seconds)} s, ${HANDLING[handling]}${sameView ? '' : ', with turning it'}`;
  return `${worth}, ${cost}.${chance < 0.9 ? ' The light makes it hard to read.' : ''}`;
}

/** What each answer would make of the leader: the look is worth it when they differ. */
const Answers = memo(function Answers({ guide, look, level }: { guide: Guide; look: NextLook; level: Standing }) {
  const character = guide.characters.find(({ id }) => id === look.character);
  const labelOf = (answer: string) => character?.states?.find(({ id }) => id === answer)?.label ?? answer;
  const likely = look.answers!.filter(({ chance }) => chance === undefined || chance >= 0.02);
  if (likely.length === 0) return null;
  return (
    <Row role="group" aria-label="What each answer would do" gap="l" lineGap="hair">
      {likely.map(({ answer, group, label, p }) => (
        <Text key={answer} size="small" quiet>
          {`${labelOf(answer)} → `}
          <Text size="small" strong color={group === level.beam.left.group ? colour.for : colour.against}>
            {`${shortName(label)} ${inHundred(p)}`}
          </Text>
        </Text>
      ))}
    </Row>
  );
});
