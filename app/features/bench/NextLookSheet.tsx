import type { StandingAnswer } from '@plesion/contract';
import type { Guide } from '@plesion/core/guide';
import type { ReactNode } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { colour, space, TOUCH } from '../../theme';
import { Sheet } from '../../ui/Sheet';
import { Words } from '../../ui/Words';

type NextLook = StandingAnswer['nextLooks'][number];

interface NextLookSheetProps {
  guide: Guide;
  answer: StandingAnswer;
  /** The look whose tiles are shown. */
  chosen?: string;
  onChoose: (character: string) => void;
  /** Tiles of the chosen look. */
  children?: ReactNode;
}

const HINDRANCES = {
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

/** What to look at next, best first, and why; what cannot be read now stands apart with the reason. */
export function NextLookSheet({ guide, answer, chosen, onChoose, children }: NextLookSheetProps) {
  const labelOf = (id: string) => guide.characters.find((c) => c.id === id)?.label ?? id;
  const open = answer.nextLooks.filter((look) => !look.hindrance);
  const hindered = answer.nextLooks.filter((look) => look.hindrance && look.bits > 0.1).slice(0, 2);
  const first = open.find((look) => look.character === chosen) ?? open[0];
  const others = open.filter((look) => look !== first).slice(0, MOST);
  const level = answer.nextLevel.kind === 'rank' ? answer.nextLevel.rank : answer.nextLevel.facet;
  return (
    <Sheet title={first ? `Look next: ${labelOf(first.character).toLowerCase()}` : 'Nothing left to look at'}>
      {first ? (
        <Words quiet size="small">{`To settle the ${level}. ${sayWhy(first)}`}</Words>
      ) : (
        <Words quiet>No other mark would change this much. Write it down as far as it goes.</Words>
      )}
      {children}
      {others.length > 0 && (
        <View style={styles.others}>
          <Words size="small" quiet>
            or
          </Words>
          {others.map((look) => (
            <Pressable key={look.character} role="button" onPress={() => onChoose(look.character)} style={styles.other}>
              <Words size="small" color={colour.kelp} strong>
                {labelOf(look.character)}
              </Words>
              <Words size="small" quiet>
                {look.bits.toFixed(2)}
              </Words>
            </Pressable>
          ))}
        </View>
      )}
      {hindered.map((look) => (
        <Words
          key={look.character}
          size="small"
          quiet
        >{`${labelOf(look.character)} would help, but ${HINDRANCES[look.hindrance!]}.`}</Words>
      ))}
    </Sheet>
  );
}

function sayWhy({ bits, seconds, sameView, chance }: NextLook): string {
  const worth = `Worth ${bits.toFixed(2)} bits on average`;
  const cost = `about ${Math.round(seconds)} s${sameView ? '' : ', with turning it'}`;
  return `${worth}, ${cost}.${chance < 0.9 ? ' The light makes it hard to read.' : ''}`;
}

const styles = StyleSheet.create({
  others: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: space.s },
  other: {
    flexDirection: 'row',
    gap: space.s,
    minHeight: TOUCH,
    alignItems: 'center',
    paddingHorizontal: space.m,
    borderRadius: 22,
    borderWidth: 1,
    borderColor: colour.hairline,
  },
});
