import type { Standing } from '@plesion/core/evidence';
import { inHundred } from '@plesion/core/evidence';
import type { Guide } from '@plesion/core/guide';
import { StyleSheet } from 'react-native';
import { colour, radius, space, TOUCH } from '../../theme';
import { Option, Options } from '../../ui/Options';
import { TaxonName } from '../../ui/TaxonName';
import { Text } from '../../ui/Text';

interface TaxonPickProps {
  label: string;
  guide: Guide;
  answer: Standing;
  chosen?: string;
  onPick: (taxon: string) => void;
}

/** Every taxon of the guide, broad to narrow, with its probability. */
export function TaxonPick({ label, guide, answer, chosen, onPick }: TaxonPickProps) {
  return (
    <Options label={label} gap="xs">
      <Text size="small" strong quiet>
        {label}
      </Text>
      {answer.taxa.map(({ taxon, name, rank, p }) => (
        <Option
          key={taxon}
          on={chosen === taxon}
          label={`${name}, ${rank} · ${inHundred(p)}`}
          onPress={() => onPick(taxon)}
          style={[styles.row, chosen === taxon && styles.on]}
        >
          <TaxonName guide={guide} taxon={taxon} size={16} />
          <Text size="small" quiet>{`${rank} · ${inHundred(p)}`}</Text>
        </Option>
      ))}
    </Options>
  );
}

const styles = StyleSheet.create({
  row: {
    flexDirection: 'row',
    justifyContent: 'space-between',
    alignItems: 'center',
    minHeight: TOUCH,
    paddingHorizontal: space.m,
    borderRadius: radius.s,
    borderWidth: 1,
    borderColor: colour.hairline,
  },
  on: { borderColor: colour.kelp, borderWidth: 2, backgroundColor: colour.kelpWash },
});
