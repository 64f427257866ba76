import { heredityProblems } from '@plesion/core/authoring';
import type { HereditySection } from '@plesion/core/guide';
import { View } from 'react-native';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Notice } from '../../ui/Notice';
import { Picker } from '../../ui/Picker';
import { Text } from '../../ui/Text';
import { omit } from '../../lib/omit';
import { BreedingDays } from './BreedingDays';
import { GeneCard } from './GeneCard';
import { seenBys } from './inheritedWords';
import { NewGeneCard } from './NewGeneCard';
import { ShownCard } from './ShownCard';
import { StrainsCard } from './StrainsCard';
import type { PartProps } from './WritingScreen';

/** What one of the cards is given. */
export interface HeredityProps {
  section: HereditySection;
  put: (section: HereditySection) => void;
}

const SYSTEMS = [
  { id: 'ZW', label: 'females (as in birds and moths)' },
  { id: 'XY', label: 'males (as in mammals and flies)' },
] as const;

/** How the kinds of a guide inherit: genes, what is seen of them, strains, and days. */
export function HeredityPart({ id, draft, edit }: Pick<PartProps, 'id' | 'draft' | 'edit'>) {
  const section = draft.heredity;
  const put = (next: HereditySection | undefined) =>
    edit({ do: 'part', set: next ? { heredity: next } : {}, drop: next ? [] : ['heredity'] });
  const seen = seenBys(draft);
  const problems = heredityProblems(draft);
  return (
    <>
      <Card title="How it is inherited">
        <Text quiet>
          With this a book of a colony can be kept by the guide: what each carries unseen, what a pair would have, and what does
          not fit. What is inherited is seen by a facet, such as the morph, or by a character with states.
        </Text>
        {section && (
          <>
            <ChoiceGroup
              label="Two different sex chromosomes have the"
              options={SYSTEMS}
              chosen={[section.system]}
              onChange={([system]) => put({ ...section, system })}
            />
            {draft.taxa.length > 1 && (
              <>
                <Text size="small" strong quiet>
                  It holds for
                </Text>
                <Picker
                  label="It holds for"
                  items={draft.taxa.map(({ id, name }) => ({ id, label: name }))}
                  chosen={section.taxon}
                  onChange={(taxon) => put({ ...section, taxon })}
                  onClear={() => put(omit(section, 'taxon'))}
                />
              </>
            )}
            <View style={{ flexDirection: 'row' }}>
              <Button
                small
                kind="quiet"
                label="Remove it all"
                hint="Take all of how it is inherited out of the guide"
                onPress={() => put(undefined)}
              />
            </View>
          </>
        )}
        {seen.length === 0 && (
          <Text>Nothing can be seen yet: write morphs under “About it”, or a character with states under “Characters”.</Text>
        )}
      </Card>
      {problems.length > 0 && (
        <Notice kind="problem" title="It does not hold yet">
          {problems.map(({ message }) => message).join('\n')}
        </Notice>
      )}
      {section?.loci.map((locus) => (
        <GeneCard key={locus.id} section={section} locus={locus} put={put} />
      ))}
      {seen.length > 0 && <NewGeneCard key={section?.loci.length ?? 0} id={id} section={section} seen={seen} put={put} />}
      {section?.characters.map((expression) => (
        <ShownCard key={expression.id} {...{ section, expression, put }} seen={seen.find(({ id }) => id === expression.id)} />
      ))}
      {section && <StrainsCard id={id} section={section} put={put} />}
      {section && <BreedingDays section={section} seen={seen} put={put} />}
    </>
  );
}
