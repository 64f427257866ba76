import type { ColonyMember } from '@plesion/contract/colony';
import { sayDate } from '../../lib/dates';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { useColonyWrite } from './useColonyWrite';
import { useSendKept } from './useKept';
import { foundWords } from './words';

interface Props {
  guideId: string;
  members: readonly ColonyMember[];
  pen: string;
  since: string;
}

/** Who was kept alone so far, and what came of it. */
export function TriedAlone({ guideId, members, pen, since }: Props) {
  const tried = members
    .flatMap((member) => (member.kept.separations ?? []).map((one, place) => ({ ...one, member, place })))
    .filter(({ on, from }) => from === pen && on >= since)
    .sort((a, b) => (a.on < b.on ? -1 : 1));
  if (!tried.length) return null;
  return (
    <Stack gap="xs">
      <Text strong size="small">
        Kept alone so far
      </Text>
      {tried.map(({ member, place, ...one }) => (
        <Tried
          key={`${member.id} ${place}`}
          {...{ guideId, member, place }}
          says={sayTried(pen, one.on, member.name, one.found)}
        />
      ))}
    </Stack>
  );
}

const sayTried = (pen: string, on: string, name: string, found: string): string =>
  `${sayDate(on)}, ${name}: ${foundWords(pen).find(({ id }) => id === found)!.label}`;

interface TriedProps {
  guideId: string;
  member: ColonyMember;
  place: number;
  says: string;
}

function Tried({ guideId, member, place, says }: TriedProps) {
  const { write, busy, problem } = useColonyWrite(guideId, useSendKept(guideId, member));
  const strike = () => write({ separations: member.kept.separations?.toSpliced(place, 1) });
  return (
    <>
      <Row align="center">
        <Text size="small" fill={180}>
          {says}
        </Text>
        <Button small kind="quiet" label="Remove" hint={`Remove: ${says}`} busy={busy} onPress={strike} />
      </Row>
      {problem && <Notice kind="problem">{problem}</Notice>}
    </>
  );
}
