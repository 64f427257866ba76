import { type Showing, withGene } from '@plesion/core/authoring';
import type { HereditySection } from '@plesion/core/guide';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { numberOf } from '../../lib/numberOf';
import { space } from '../../theme';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Notice } from '../../ui/Notice';
import { Picker } from '../../ui/Picker';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
import type { SeenBy } from './inheritedWords';

interface Props {
  section?: HereditySection;
  seen: readonly SeenBy[];
  put: (section: HereditySection) => void;
}

/** Of more than these one searches, by a field with a label of its own. */
const IN_SIGHT = 12;

const WAYS: { id: Showing; label: string }[] = [
  { id: 'recessive', label: 'only where both copies are so' },
  { id: 'dominant', label: 'with one copy already' },
  { id: 'both', label: 'one copy shows otherwise than two' },
];
const PLACES = [
  { id: 'autosomal', label: 'any chromosome' },
  { id: 'sex-linked', label: 'the sex chromosome' },
] as const;

/** One more gene, as a keeper tells it: what is seen of it, and how it shows. */
export function NewGeneCard({ section, seen, put }: Props) {
  const [label, setLabel] = useState('');
  const [by, setBy] = useState(seen.length === 1 ? seen[0].id : undefined);
  const [usual, setUsual] = useState<string>();
  const [other, setOther] = useState<string>();
  const [between, setBetween] = useState<string>();
  const [showing, setShowing] = useState<Showing>('recessive');
  const [place, setPlace] = useState<'autosomal' | 'sex-linked'>('autosomal');
  const [common, setCommon] = useState('10');
  const [problem, setProblem] = useState<{ at: 'label' | 'what' | 'common'; message: string }>();
  const states = (seen.find(({ id }) => id === by)?.states ?? []).map((one) => ({ id: one.id, label: one.label }));
  const add = () => {
    const share = numberOf(common);
    if (!label.trim()) return setProblem({ at: 'label', message: 'Give the gene a name, such as pale.' });
    if (
      !by ||
      !usual ||
      !other ||
      usual === other ||
      (showing === 'both' && (!between || between === usual || between === other))
    )
      return setProblem({ at: 'what', message: 'Say what is seen of each; each is another state.' });
    if (share === undefined || share <= 0 || share >= 100)
      return setProblem({ at: 'common', message: 'Write how many of 100, more than 0 and fewer than 100.' });
    put(
      withGene(section, {
        ...{ label: label.trim(), linked: place === 'sex-linked', showing, character: by, usual, other },
        ...(showing === 'both' ? { between } : {}),
        frequency: share / 100,
      }),
    );
  };
  const state = (title: string, chosen: string | undefined, choose: (id: string) => void) => (
    <View style={styles.part}>
      <Text size="small" strong quiet>
        {title}
      </Text>
      <Picker label={title} items={states} chosen={chosen} onChange={choose} />
    </View>
  );
  return (
    <Card title={section ? 'Another gene' : 'A first gene'}>
      <View style={styles.form}>
        <TextField
          label="Name of the gene"
          value={label}
          onChangeText={setLabel}
          maxLength={80}
          problem={problem?.at === 'label' ? problem.message : undefined}
        />
        {seen.length > 1 && (
          <View style={styles.part}>
            {seen.length <= IN_SIGHT && (
              <Text size="small" strong quiet>
                Seen by
              </Text>
            )}
            <Picker
              label="Seen by"
              items={seen.map((one) => ({ id: one.id, label: one.label }))}
              chosen={by}
              onChange={(next) => {
                setBy(next);
                for (const forget of [setUsual, setOther, setBetween]) forget(undefined);
              }}
            />
          </View>
        )}
        {by && (
          <>
            {state('The usual allele shows', usual, setUsual)}
            {state('The other allele shows', other, setOther)}
            <ChoiceGroup label="The other shows" options={WAYS} chosen={[showing]} onChange={([next]) => setShowing(next)} />
            {showing === 'both' && state('One copy of each shows', between, setBetween)}
          </>
        )}
        {problem?.at === 'what' && <Notice kind="problem">{problem.message}</Notice>}
        <ChoiceGroup label="It lies on" options={PLACES} chosen={[place]} onChange={([next]) => setPlace(next)} />
        <TextField
          label="Of 100 alleles of founders, the other"
          value={common}
          onChangeText={setCommon}
          inputMode="decimal"
          hint="A guess will do; strains may have their own."
          problem={problem?.at === 'common' ? problem.message : undefined}
        />
        <View style={styles.act}>
          <Button label="Add the gene" onPress={add} />
        </View>
      </View>
    </Card>
  );
}

const styles = StyleSheet.create({
  form: { gap: space.m },
  part: { gap: space.xs },
  act: { flexDirection: 'row' },
});
