import { inHundred } from '@plesion/core/evidence';
import { type Guide, sayFacets } from '@plesion/core/guide';
import type { Determination } from '@plesion/core/specimen';
import { StyleSheet, View } from 'react-native';
import { colour, space } from '../../theme';
import { Sheet } from '../../ui/Sheet';
import { TaxonName } from '../../ui/TaxonName';
import { Words } from '../../ui/Words';
import { sayDate } from '../records/situationText';

export const sayUnion = (guide: Guide | undefined, { union }: Determination) =>
  guide?.unions?.find(({ id }) => id === union)?.label;

/** Every name a specimen was given, the newest first. */
export function History({ guide, determinations }: { guide?: Guide; determinations: readonly Determination[] }) {
  if (determinations.length === 0) return null;
  return (
    <Sheet title="Names given" aside={determinations.length > 1 ? 'newest first' : undefined}>
      {[...determinations].reverse().map((name, i) => (
        <View key={name.id} style={[styles.name, i > 0 && styles.earlier]}>
          <TaxonName guide={guide} {...name} size={i === 0 ? 19 : 16} />
          <Words size="small" quiet>
            {[
              guide && sayFacets(guide, name.facets),
              sayUnion(guide, name),
              guide && inHundred(name.p),
              name.by,
              sayDate(name.at, 'd MMM yyyy, HH:mm'),
              name.guideVersion && `guide version ${name.guideVersion}`,
            ]
              .filter(Boolean)
              .join(' · ')}
          </Words>
          {name.overruled && <Words size="small" color={colour.against}>{`Otherwise than recommended: ${name.reason}`}</Words>}
          {!name.overruled && name.reason && <Words size="small">{name.reason}</Words>}
          {name.recommended !== '' && <Words size="small" quiet>{`Recommended then: ${name.recommended}`}</Words>}
        </View>
      ))}
    </Sheet>
  );
}

const styles = StyleSheet.create({
  name: { gap: 2 },
  earlier: { borderTopWidth: 1, borderColor: colour.mist, paddingTop: space.s },
});
