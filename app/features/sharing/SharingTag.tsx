import { colour } from '../../theme';
import { Text } from '../../ui/Text';
import { useSharing, withdrawnOf } from './useSharing';

/** How a guide stands, in a few words beside its title; nothing where there is nothing to be said. */
export function SharingTag({ guideId }: { guideId: string }) {
  const sharing = useSharing(guideId);
  if (withdrawnOf(sharing))
    return (
      <Text size="small" strong color={colour.hazard}>
        Withdrawn
      </Text>
    );
  const taken = sharing?.taken;
  const words = taken
    ? `from “${taken.from}”${taken.newer === undefined ? '' : `, which offers version ${taken.newer}`}`
    : sharing?.offered && 'offered to other stations';
  return words ? (
    <Text size="small" strong color={colour.kelp}>
      {words}
    </Text>
  ) : null;
}
