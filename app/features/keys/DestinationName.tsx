import type { Guide } from '@plesion/core/guide';
import { type Destination, type Key, printDestination } from '@plesion/core/keys';
import { colour } from '../../theme';
import { TaxonName } from '../../ui/TaxonName';
import { Text } from '../../ui/Text';
import { WrittenName } from '../../ui/WrittenName';

/** Where a lead goes, as it is printed: a number, a name, another key. */
export function DestinationName({ guide, keyed, to, size = 16 }: { guide?: Guide; keyed: Key; to: Destination; size?: number }) {
  if (to.kind === 'taxon') {
    if (guide && to.taxon) return <TaxonName guide={guide} taxon={to.taxon} size={size} />;
    return <WrittenName name={to.name} size={size} />;
  }
  return (
    <Text strong color={to.kind === 'open' ? colour.hazard : colour.kelp}>
      {to.kind === 'open' ? 'nowhere yet' : printDestination(keyed, to)}
    </Text>
  );
}
