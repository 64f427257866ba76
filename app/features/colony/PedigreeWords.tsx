import type { ChartKin } from '@plesion/core/pedigree';
import type { SymbolFacts } from '@plesion/core/pedigree';
import { View } from 'react-native';
import { LinkBox } from '../../ui/LinkBox';
import { Text } from '../../ui/Text';
import { colour } from '../../theme';
import { sayChance } from './words';

interface Props {
  kin: readonly ChartKin[];
  facts: ReadonlyMap<string, SymbolFacts>;
}

/** The same as a list, for whoever does not see the drawing. */
export function PedigreeWords({ kin, facts }: Props) {
  const names = (ids: readonly string[]) => ids.map((id) => facts.get(id)!.name).join(' or ');
  return (
    <View role="list">
      {kin.map(({ id, fathers, mothers }) => {
        const { name, sex, away, shade, founder, folded } = facts.get(id)!;
        const said = [
          sex ?? 'sex not known',
          away,
          fathers.length || mothers.length
            ? `of ${names(fathers) || 'somebody'} and ${names(mothers) || 'somebody'}`
            : founder
              ? 'a founder'
              : 'its parents are not drawn',
          shade !== undefined && `carries it: ${sayChance(shade)}`,
          folded > 0 && `${folded} folded`,
        ].filter(Boolean);
        return (
          <View key={id} role="listitem">
            <LinkBox href={`/field/colony/${id}`}>
              <Text size="small" color={colour.kelp}>{`${name}: ${said.join(', ')}`}</Text>
            </LinkBox>
          </View>
        );
      })}
    </View>
  );
}
