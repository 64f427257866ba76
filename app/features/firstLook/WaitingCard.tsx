import { type SpecimenRow, urlOf } from '@plesion/contract';
import { Box } from '../../ui/Box';
import { Photo } from '../../ui/Photo';
import { sayDate } from '../../lib/dates';
import { colour, useWide } from '../../theme';
import { Text } from '../../ui/Text';
import { LinkBox } from '../../ui/LinkBox';
import { Stack } from '../../ui/Stack';

/** Characters after which the daybook says itself how a specimen stands. */
export const ENOUGH = 3;

/** The newest specimen that was photographed and is still waiting to be read. */
export const waitingOf = (rows: readonly SpecimenRow[]): SpecimenRow | undefined =>
  rows.find(({ photo, named, hidden }) => photo && !named && !hidden);

/** A photograph that waits for its characters: the way in for whoever is new here, and for what was left unread. */
export function WaitingCard({ row }: { row: SpecimenRow }) {
  const wide = useWide();
  const left = ENOUGH - row.readings;
  const title = row.readings === 0 ? 'What is it?' : left > 0 ? `${row.readings} of ${ENOUGH} characters read` : row.summary.name;
  return (
    <LinkBox href={`/specimens/${row.id}/bench`} across={wide} oneLine clip ruled="round" ruledIn="edge" round="l" tone="sheet">
      <Photo
        source={{ uri: urlOf('photo', { params: { hash: row.photo! } }) }}
        resizeMode="cover"
        wide={wide ? 340 : 'all'}
        tall={wide ? 244 : 220}
        tone="paper"
      />
      <Stack fill pad="l">
        <Text size="title" heading={2}>
          {title}
        </Text>
        <Text>{left > 0 ? sayLeft(left) : row.summary.text}</Text>
        <Text size="small" quiet>
          {[row.label, row.place, sayDate(row.date)].filter(Boolean).join(' · ')}
        </Text>
        <Box self="start" padX="l" padY="m" round="m" tone="kelp">
          <Text strong color={colour.sheet}>
            {row.readings === 0 ? 'Read its characters' : 'Go on'}
          </Text>
        </Box>
      </Stack>
    </LinkBox>
  );
}

function sayLeft(left: number): string {
  if (left === ENOUGH)
    return 'Read three characters off the photograph and watch how far they carry: to a name, to one of two, or not yet.';
  return left > 0 ? `${left} more, and see whether that is enough to say so.` : '';
}
