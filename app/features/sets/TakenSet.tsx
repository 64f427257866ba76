import type { SetAnswer, SetView } from '@plesion/contract/sets';
import type { Guide } from '@plesion/core/guide';
import { sayChoice } from '@plesion/core/practice';
import { colour } from '../../theme';
import { Card } from '../../ui/Card';
import { LinkBox } from '../../ui/LinkBox';
import { Text } from '../../ui/Text';
import { labelOf, saySeen } from '../practice/sayReading';
import { ItemRow } from './ItemRow';
import { whole } from './whole';

/** A set that is done: what was said of each, and what it was, where that is told. */
export function TakenSet({ view, guide }: { view: SetView; guide: Guide }) {
  const told = view.answers.filter((one) => one.told);
  const items = view.items!;
  const right = told.filter((one) => one.told!.right).length;
  return (
    <>
      <Card title={view.answers.length === items.length ? 'All answered' : `${view.answers.length} of ${items.length} answered`}>
        <Text size="lead" strong role="status">
          {told.length > 0
            ? `${right} of ${items.length} right.`
            : view.kind === 'test'
              ? 'Thank you. What each was is told when whoever gave the test says so.'
              : 'Nothing was answered.'}
        </Text>
        <LinkBox href="/practice/sets" justify="center">
          <Text strong color={colour.kelp}>
            All sets
          </Text>
        </LinkBox>
      </Card>
      {told.length > 0 && (
        <Card title="What each was">
          {items.map(({ n, item }) => {
            const answer = view.answers.find((one) => one.n === n);
            const { word, why } = sayOutcome(guide, item.choices, answer);
            return (
              <ItemRow key={n} guide={guide} item={whole(item)}>
                <Text strong color={answer?.told?.right ? colour.kelp : colour.hazard}>{`${n + 1}: ${word}`}</Text>
                {why !== '' && <Text size="small">{why}</Text>}
              </ItemRow>
            );
          })}
        </Card>
      )}
    </>
  );
}

function sayOutcome(guide: Guide, choices: readonly { id: string; label: string }[], answer: SetAnswer | undefined) {
  const name = (id: string) => sayChoice(guide, { choices }, id);
  if (!answer?.told) return { word: 'not answered', why: '' };
  const { told, answer: given } = answer;
  const { mark, why } = told;
  const said = given.groups.length
    ? given.groups.map(name).join(' or ')
    : given.wentBy
      ? [
          labelOf(guide, given.wentBy.character),
          given.wentBy.says !== undefined && saySeen(guide, given.wentBy.character, given.wentBy.says),
        ]
          .filter(Boolean)
          .join(': ')
      : 'cannot be told';
  const was =
    mark?.shown !== undefined && !given.groups.length && given.wentBy
      ? `${saySeen(guide, mark.character, mark.shown)}, of a ${name(told.truth)}`
      : name(told.truth);
  return { word: told.right ? `${was}: right` : `${was}; you said ${said}`, why: why?.remember ?? '' };
}
