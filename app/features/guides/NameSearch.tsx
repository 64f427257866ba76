import { findTaxa, formsOf, type Guide, isUnder, sayOtherName, taxonIndex } from '@plesion/core/guide';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { colour, radius, space, TOUCH } from '../../theme';
import { Entry } from '../../ui/Entry';
import { TaxonName } from '../../ui/TaxonName';
import { Words } from '../../ui/Words';

const MOST = 8;

/** Any name leads to the right page, and says what kind of name it was. */
export function NameSearch({ guides }: { guides: readonly { id: string; guide: Guide }[] }) {
  const router = useRouter();
  const [text, setText] = useState('');
  const found = guides.flatMap(({ id, guide }) => findTaxa(guide, text).map((hit) => ({ ...hit, id, guide }))).slice(0, MOST);
  return (
    <View style={styles.block}>
      <Entry label="Find by any name" value={text} onChangeText={setText} placeholder="scientific, common, former, nickname" />
      {text.trim() !== '' && found.length === 0 && (
        <Words size="small" quiet>
          No taxon here has that name. Try fewer letters.
        </Words>
      )}
      {found.map(({ id, guide, taxon, by, kind, note }) => {
        const form = formOf(guide, taxon);
        return (
          <Pressable
            key={`${id} ${taxon}`}
            role="link"
            accessibilityLabel={`${taxonIndex(guide).get(taxon)?.name}, found as ${by}`}
            disabled={!form}
            onPress={() => form && router.push({ pathname: '/guides/[id]/form', params: { id, form } })}
            style={styles.hit}
          >
            <TaxonName guide={guide} taxon={taxon} size={18} />
            {kind !== 'name' && (
              <Words size="small" quiet>
                {kind === 'vernacular' ? by : `“${by}” is ${sayOtherName(kind)} it.${note ? ` ${note}` : ''}`}
              </Words>
            )}
          </Pressable>
        );
      })}
    </View>
  );
}

/** The first form of a taxon, or of one below it. */
const formOf = (guide: Guide, taxon: string) => formsOf(guide).find((form) => isUnder(guide, form.taxon, taxon))?.id;

const styles = StyleSheet.create({
  block: { gap: space.s },
  hit: {
    minHeight: TOUCH,
    justifyContent: 'center',
    backgroundColor: colour.sheet,
    borderRadius: radius.m,
    borderWidth: 1,
    borderColor: colour.hairline,
    paddingHorizontal: space.m,
    paddingVertical: space.s,
  },
});
