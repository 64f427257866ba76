import type { Standing } from '@plesion/core/evidence';
import type { Guide } from '@plesion/core/guide';
import { colour } from '../../theme';
import { Card } from '../../ui/Card';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';

/** Characters left out for now, under the reason they share. */
export function SetAsideSheet({ guide, answer }: { guide: Guide; answer: Standing }) {
  if (answer.setAside.length === 0) return null;
  const reasons = [...new Set(answer.setAside.map(({ text }) => text))];
  const labelOf = (id: string) => guide.characters.find((character) => character.id === id)?.label ?? id;
  return (
    <Card title="Set aside" aside={`${answer.setAside.length} characters`}>
      {reasons.map((reason) => {
        const danger = answer.setAside.some(({ text, because }) => text === reason && because === 'danger');
        return (
          <Stack key={reason} gap="hair" padBottom="xs">
            <Text size="small" strong color={danger ? colour.hazard : colour.quiet}>
              {reason}
            </Text>
            <Text size="small" quiet>
              {answer.setAside
                .filter(({ text }) => text === reason)
                .map(({ character }) => labelOf(character))
                .join(', ')}
            </Text>
          </Stack>
        );
      })}
    </Card>
  );
}
