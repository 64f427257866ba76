import type { Site } from '@plesion/contract';
import { calendarDays, isRested, pace } from '@plesion/core/fieldwork';
import { sayDate, today } from '../../lib/dates';
import { colour } from '../../theme';
import { Box } from '../../ui/Box';
import { LinkBox } from '../../ui/LinkBox';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';
import { inWords } from './words';

/** A site with what is left of its season, its quota and its licences, or that it is left alone. */
export function SiteRow({ site, ringed }: { site: Site; ringed: number }) {
  const day = today();
  const rested = isRested(site, day) ? site.rested : undefined;
  const lines = [...seasonLines(site, ringed, day), ...licenceLines(site, day)];
  return (
    <LinkBox href={`/field/sites/${site.id}`} gap="hair" justify="center" padY="xs" ruled="above">
      <Row align="center">
        <Text strong>{site.name}</Text>
        {rested && (
          <Box shrink padX="s" ruled="round" ruledIn="hazard" thick round="s">
            <Text size="small" strong color={colour.hazard}>{`rested until ${sayDate(rested.until)}`}</Text>
          </Box>
        )}
      </Row>
      {rested && <Text size="small">{rested.reason}</Text>}
      {lines.map(({ text, tight }) => (
        <Text key={text} size="small" quiet={!tight} color={tight ? colour.hazard : undefined}>
          {text}
        </Text>
      ))}
    </LinkBox>
  );
}

interface Line {
  text: string;
  tight: boolean;
}

/** Days or rings that are called few. */
const FEW_DAYS = 7;
const FEW_SHARE = 0.1;

function seasonLines({ season, quota }: Site, ringed: number, day: string): Line[] {
  if (!season) return [];
  if (day < season.first) return [{ text: `Season opens ${sayDate(season.first)}`, tight: false }];
  const { days, left, needed, sofar } = pace(day, season, { allowed: quota ?? 0, used: ringed });
  if (days === 0) return [{ text: `Season over since ${sayDate(season.last)}`, tight: false }];
  const last: Line = { text: `${inWords(days, 'working day')} left, the last ${sayDate(season.last)}`, tight: days <= FEW_DAYS };
  if (quota === undefined) return [last];
  const rate =
    needed !== undefined && left > 0
      ? `: ${needed.toFixed(1)} a day would meet it${sofar ? `, so far ${sofar.toFixed(1)}` : ''}`
      : '';
  return [last, { text: `${left} of ${quota} rings left of the quota${rate}`, tight: left <= FEW_SHARE * quota }];
}

const licenceLines = ({ licences }: Site, day: string): Line[] =>
  licences.map(({ label, holder, to }) => {
    const days = calendarDays(day, to) + 1;
    return days > 0
      ? { text: `${label} (${holder}): ${inWords(days, 'day')} left`, tight: days <= FEW_DAYS }
      : { text: `${label} ended ${sayDate(to)}`, tight: true };
  });
