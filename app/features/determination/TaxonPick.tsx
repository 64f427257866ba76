import type { Standing } from '@plesion/core/evidence';
import { inHundred } from '@plesion/core/evidence';
import type { Guide } from '@plesion/core/guide';
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
          framed
          across
          oneLine
          align="center"
          justify="between"
          touch
          padX="m"
          round="s"
        >
          <TaxonName guide={guide} taxon={taxon} size={16} />
          <Text size="small" quiet>{`${rank} · ${inHundred(p)}`}</Text>
        </Option>
      ))}
    </Options>
  );
}
