import type { OfficeFile } from '@plesion/contract';
import { readBack } from '@plesion/core/fieldwork';
import { View } from 'react-native';
import { sayDate } from '../../lib/dates';
import { colour } from '../../theme';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { LinkBox } from '../../ui/LinkBox';
import { Notice } from '../../ui/Notice';
import { Text } from '../../ui/Text';
import { inWords } from '../field/words';

const SHOWN = 12;

/** A season's file: its receipt and errors by line, or that it waits and why. */
export function OfficeFileCard({ file, busy, onAgain }: { file: OfficeFile; busy: boolean; onAgain: () => void }) {
  const { year, rows, state, tries, said, triedAt, receipt, taken, errors, errorCount, at, by } = file;
  return (
    <Card title={`Season ${year}`} aside={inWords(rows, 'line')}>
      <Text size="small" quiet>{`Made ${sayDate(at, 'minute')} by ${by}`}</Text>
      {state === 'waiting' && (
        <Notice
          kind="note"
          title="It waits"
          action={<Button small label="Try now" hint={`Try now: season ${year}`} busy={busy} onPress={onAgain} />}
        >
          {`${said ?? 'It was not sent yet.'} The file is kept and tried again by itself${triedAt ? `; ${inWords(tries, 'try', 'tries')}, the last at ${sayDate(triedAt, 'clock')}` : ''}.`}
        </Notice>
      )}
      {state === 'refused' && (
        <Notice kind="problem" title="The office refused it">
          {said ?? ''}
        </Notice>
      )}
      {state === 'taken' && (
        <Text strong color={colour.kelp}>{`Receipt ${receipt}: ${taken} of ${inWords(rows, 'line')} taken`}</Text>
      )}
      {errorCount > 0 && (
        <View role="list" aria-label={`What the office has against lines of season ${year}`}>
          {errors.slice(0, SHOWN).map((error) => (
            <LinkBox
              key={`${error.line} ${error.code}`}
              href={error.captureId ? `/field/captures/${error.captureId}` : '/field'}
              gap="hair"
              justify="center"
              padY="xs"
              ruled="above"
            >
              <Text size="small" strong figures color={colour.hazard}>
                {[`line ${error.line}`, error.ring && readBack(error.ring)].filter(Boolean).join(' · ')}
              </Text>
              <Text size="small">{error.message}</Text>
            </LinkBox>
          ))}
          {errorCount > SHOWN && <Text size="small" quiet>{`and ${errorCount - SHOWN} more`}</Text>}
        </View>
      )}
      {errorCount > 0 && (
        <Text size="small" quiet>
          Mend the captures, and report the season again: lines that were taken do no harm.
        </Text>
      )}
    </Card>
  );
}
