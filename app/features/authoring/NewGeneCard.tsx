import { type Showing, withGene } from '@plesion/core/authoring';
import type { HereditySection } from '@plesion/core/guide';
import { z } from 'zod';
import { numberOf } from '../../lib/numberOf';
import { useKeptForm } from '../../lib/useKeptForm';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Form, FormEnd, FormPart } from '../../ui/Form';
import { FormTextField } from '../../ui/FormTextField';
import { Picker } from '../../ui/Picker';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
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
  const form = useKeptForm({
    name: `gene.${id}`,
    typed: Typed,
    first: () => NOTHING,
    check(typed) {
      const { by, usual, other, between } = chosenIn(typed, seen);
      const share = numberOf(typed.common);
      const told = new Set([usual, other, ...(typed.showing === 'both' ? [between] : [])]);
      const each = by && !told.has(undefined) && told.size === (typed.showing === 'both' ? 3 : 2);
      return {
        label: !typed.label.trim() && 'Give the gene a name, such as pale.',
        by: !each && 'Say what is seen of each; each is another state.',
        common: (share === undefined || share <= 0 || share >= 100) && 'Write how many of 100, more than 0 and fewer than 100.',
      };
    },
    send(typed) {
      const { by, usual, other, between } = chosenIn(typed, seen);
      put(
        withGene(section, {
          ...{ label: typed.label.trim(), linked: typed.place === 'sex-linked', showing: typed.showing },
          ...{ character: by!, usual: usual!, other: other! },
          ...(typed.showing === 'both' ? { between } : {}),
          frequency: numberOf(typed.common)! / 100,
        }),
      );
    },
    onSent() {
      form.begin();
    },
  });
  const { control, typed, change } = form;
  const { showing, place } = typed;
  const { by, states } = chosenIn(typed, seen);
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
      <Form submit={form.submit}>
        <FormTextField control={control} name="label" label="Name of the gene" maxLength={80} />
        <FormPart control={control} name="by">
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
        </FormPart>
        <ChoiceGroup label="It lies on" options={PLACES} chosen={[place]} onChange={([next]) => change({ place: next })} />
        <FormTextField
          control={control}
          name="common"
          label="Of 100 alleles of founders, the other"
          inputMode="decimal"
          hint="A guess will do; strains may have their own."
        />
        <FormEnd form={form} plain label="Add the gene" />
      </Form>
    </Card>
  );
}

/** What is chosen of what is there: a state that was kept may have gone since. */
function chosenIn({ by: character, usual, other, between }: Typed, seen: readonly SeenBy[]) {
  const by = seen.find((one) => one.id === character || seen.length === 1);
  const states = (by?.states ?? []).map(({ id, label }) => ({ id, label }));
  const there = (state: string | undefined) => states.find(({ id }) => id === state)?.id;
  return { by: by?.id, states, usual: there(usual), other: there(other), between: there(between) };
}
