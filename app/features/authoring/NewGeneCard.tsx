import { type Showing, withGene } from '@plesion/core/authoring';
import type { HereditySection } from '@plesion/core/guide';
import { useState } from 'react';
import { z } from 'zod';
import { numberOf } from '../../lib/numberOf';
import { useKeptState } from '../../lib/useKeptState';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Notice } from '../../ui/Notice';
import { Picker } from '../../ui/Picker';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
import type { SeenBy } from './inheritedWords';

interface Props {
  /** Of the draft. */
  id: string;
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

/** As it is put together; kept over a reload. */
const Typed = z.object({
  label: z.string(),
  by: z.string().optional(),
  usual: z.string().optional(),
  other: z.string().optional(),
  between: z.string().optional(),
  showing: z.enum(['recessive', 'dominant', 'both']),
  place: z.enum(['autosomal', 'sex-linked']),
  common: z.string(),
});
type Typed = z.output<typeof Typed>;
const NOTHING: Typed = { label: '', showing: 'recessive', place: 'autosomal', common: '10' };

/** One more gene, as a keeper tells it: what is seen of it, and how it shows. */
export function NewGeneCard({ id, section, seen, put }: Props) {
  const [typed, change, forget] = useKeptState(`gene.${id}`, Typed, NOTHING);
  const { label, showing, place, common } = typed;
  const by = seen.find((one) => one.id === typed.by || seen.length === 1)?.id;
  const [problem, setProblem] = useState<{ at: 'label' | 'what' | 'common'; message: string }>();
  const states = (seen.find((one) => one.id === by)?.states ?? []).map((one) => ({ id: one.id, label: one.label }));
  // A state that was kept may have gone since.
  const [usual, other, between] = [typed.usual, typed.other, typed.between].map(
    (state) => states.find(({ id: one }) => one === state)?.id,
  );
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
    forget();
  };
  const state = (title: string, which: 'usual' | 'other' | 'between') => (
    <Stack gap="xs">
      <Text size="small" strong quiet>
        {title}
      </Text>
      <Picker label={title} items={states} chosen={typed[which]} onChange={(next) => change({ [which]: next })} />
    </Stack>
  );
  return (
    <Card title={section ? 'Another gene' : 'A first gene'}>
      <Stack gap="m">
        <TextField
          label="Name of the gene"
          value={label}
          onChangeText={(text) => change({ label: text })}
          maxLength={80}
          problem={problem?.at === 'label' ? problem.message : undefined}
        />
        {seen.length > 1 && (
          <Stack gap="xs">
            {seen.length <= IN_SIGHT && (
              <Text size="small" strong quiet>
                Seen by
              </Text>
            )}
            <Picker
              label="Seen by"
              items={seen.map((one) => ({ id: one.id, label: one.label }))}
              chosen={by}
              onChange={(next) => change({ by: next, usual: undefined, other: undefined, between: undefined })}
            />
          </Stack>
        )}
        {by && (
          <>
            {state('The usual allele shows', 'usual')}
            {state('The other allele shows', 'other')}
            <ChoiceGroup
              label="The other shows"
              options={WAYS}
              chosen={[showing]}
              onChange={([next]) => change({ showing: next })}
            />
            {showing === 'both' && state('One copy of each shows', 'between')}
          </>
        )}
        {problem?.at === 'what' && <Notice kind="problem">{problem.message}</Notice>}
        <ChoiceGroup label="It lies on" options={PLACES} chosen={[place]} onChange={([next]) => change({ place: next })} />
        <TextField
          label="Of 100 alleles of founders, the other"
          value={common}
          onChangeText={(text) => change({ common: text })}
          inputMode="decimal"
          hint="A guess will do; strains may have their own."
          problem={problem?.at === 'common' ? problem.message : undefined}
        />
        <Row>
          <Button label="Add the gene" onPress={add} />
        </Row>
      </Stack>
    </Card>
  );
}
