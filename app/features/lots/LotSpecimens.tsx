import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import type { OpenSpecimen } from '../records/useSpecimens';

interface LotSpecimensProps {
  specimens: readonly OpenSpecimen[];
  chosen?: string;
  onChoose: (id: string) => void;
  /** Number keys choose them. */
  numbered?: boolean;
}

/** Which specimen of the lot is in front of you: what is ticked next was seen on it. */
export function LotSpecimens({ specimens, chosen, onChoose, numbered }: LotSpecimensProps) {
  const at = specimens.find(({ id }) => id === chosen) ?? specimens[0];
  return (
    <Stack gap="xs">
      <ChoiceGroup
        label={numbered ? 'Seen on specimen (1 … 9)' : 'Seen on specimen'}
        options={specimens.map(({ id }, i) => ({ id, label: `no. ${i + 1}` }))}
        chosen={at ? [at.id] : []}
        onChange={([id]) => onChoose(id)}
      />
      {at && (
        <Text size="small" quiet>
          {[at.state.content.label, at.state.content.situation.note].filter(Boolean).join(' · ')}
        </Text>
      )}
    </Stack>
  );
}
