import type { Colony } from '@plesion/contract/colony';
import { type Reminder, remindersOf } from '@plesion/core/colony';
import { calendarDays } from '@plesion/core/fieldwork';
import type { Guide } from '@plesion/core/guide';
import { useMemo } from 'react';
import { sayDate, today } from '../../lib/dates';
import { colour } from '../../theme';
import { Card } from '../../ui/Card';
import { LinkBox } from '../../ui/LinkBox';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { shownBy } from './words';

/** Shown at once. */
const MOST = 8;

/** What is to be done in the cages, the most overdue first. */
export function Reminders({ guide, guideId, colony }: { guide: Guide; guideId: string; colony: Colony }) {
  const day = today();
  const all = useMemo(
    () => (guide.heredity ? remindersOf(guide.heredity, colony.members, colony.pairings, day) : []),
    [guide, colony, day],
  );
  if (!all.length) return null;
  const nameOf = new Map(colony.members.map(({ id, name }) => [id, name]));
  return (
    <Card title="To do" aside={String(all.length)}>
      {all.slice(0, MOST).map((one) => (
        <LinkBox
          key={JSON.stringify(one)}
          href={one.pairing ? `/field/colony/pairings/${one.pairing}?guide=${guideId}` : `/field/colony/${one.of[0]}`}
          padY="xs"
          ruled="above"
        >
          <Stack gap="hair" fill>
            <Text color={colour.kelp}>{sayTask(guide, one, nameOf)}</Text>
            <Text size="small" quiet>
              {[one.pen, sayWhen(one.on, day)].filter(Boolean).join(' · ')}
            </Text>
          </Stack>
        </LinkBox>
      ))}
      {all.length > MOST && <Text quiet size="small">{`and ${all.length - MOST} more after these`}</Text>}
    </Card>
  );
}

function sayTask(guide: Guide, { task, of, what }: Reminder, nameOf: ReadonlyMap<string, string>): string {
  const who = of.length > 4 ? `${of.length} young` : of.map((id) => nameOf.get(id) ?? 'somebody').join(', ');
  if (task === 'hatch') return `A clutch of ${of.map((id) => nameOf.get(id) ?? 'somebody').join(' and ')} is due to hatch`;
  if (task === 'separate') return `Separate ${who} before they breed`;
  if (task === 'weigh') return `Weigh ${who} again`;
  const said = what === 'sex' ? 'sex' : (shownBy(guide).find(({ id }) => id === what)?.label ?? what);
  return `The ${said} of ${who} can be told`;
}

function sayWhen(on: string, day: string): string {
  const days = calendarDays(day, on);
  if (days === 0) return 'today';
  return days < 0 ? `since ${sayDate(on)}` : days === 1 ? 'tomorrow' : `in ${days} days, ${sayDate(on)}`;
}
