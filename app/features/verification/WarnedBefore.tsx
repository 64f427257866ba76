import type { SpecimenWrite, StoredGuide } from '@plesion/contract';
import { type Overturned, VERIFICATION_WORDS } from '@plesion/core/verification';
import { View } from 'react-native';
import { sayDate } from '../../lib/dates';
import { colour } from '../../theme';
import { LinkBox } from '../../ui/LinkBox';
import { Notice } from '../../ui/Notice';
import { Text } from '../../ui/Text';
import { Typeset } from '../../ui/Typeset';
import { namedParts, phrase, plain } from '../records/namedParts';
import { useWarnings } from './useWarnings';

interface WarnedBeforeProps {
  stored: StoredGuide;
  content: Pick<SpecimenWrite, 'situation' | 'readings' | 'judgement'>;
}

/** Said while what has been read looks as it did when a name was given that did not turn out to be so. */
export function WarnedBefore({ stored, content }: WarnedBeforeProps) {
  const [nearest, ...more] = useWarnings(stored, content);
  return <View aria-live="polite">{nearest && <Warning stored={stored} one={nearest} more={more.length} />}</View>;
}

function Warning({ stored: { guide }, one, more }: { stored: StoredGuide; one: Overturned; more: number }) {
  const { specimenId, called, truth, kind, on, misled, told } = one;
  const was = namedParts(guide, truth);
  const text = more > 0 ? `That record; ${more} more looked so` : 'That record';
  return (
    <Notice kind="caution" title="So it looked before, and it was not so">
      <Typeset
        size="small"
        parts={phrase(
          'Called ',
          namedParts(guide, called),
          `; known on ${sayDate(on)} by ${VERIFICATION_WORDS[kind]}: `,
          was,
          '.',
        )}
      />
      {misled && <Text size="small">{`What misled: ${misled}`}</Text>}
      {told && (
        <Text size="small" strong>
          {told.read ? `What told in the end: ${told.text}` : `Look at what would have told: ${told.text}`}
        </Text>
      )}
      <LinkBox href={`/specimens/${specimenId}`} justify="center" label={`${text}: ${plain(was)}`}>
        <Text size="small" strong color={colour.hazard}>
          {text}
        </Text>
      </LinkBox>
    </Notice>
  );
}
