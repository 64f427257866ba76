import type { Guide } from '@plesion/core/guide';
import { type Destination, type Key, printDestination } from '@plesion/core/keys';
import { Text } from 'react-native';
import { colour, font } from '../../theme';
import { TaxonName } from '../../ui/TaxonName';
import { Words } from '../../ui/Words';

/** Where a lead goes, as it is printed: a number, a name, another key. */
export function DestinationName({ guide, keyed, to, size = 16 }: { guide?: Guide; keyed: Key; to: Destination; size?: number }) {
  if (to.kind === 'taxon') {
    if (guide && to.taxon) return <TaxonName guide={guide} taxon={to.taxon} size={size} />;
    return <Text style={{ fontFamily: font.name, fontSize: size, color: colour.ink }}>{to.name}</Text>;
  }
  return (
    <Words strong color={to.kind === 'open' ? colour.hazard : colour.kelp}>
      {to.kind === 'open' ? 'nowhere yet' : printDestination(keyed, to)}
    </Words>
  );
}
