import { readShares, sayShares } from '@plesion/core/authoring';
import type { HereditySection } from '@plesion/core/guide';
import { useState } from 'react';
import { omit } from '../../lib/omit';
import { useKeptText } from '../../lib/useKeptText';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
import { CommitField } from './CommitField';
import type { HeredityProps } from './HeredityPart';
import { locusName } from './inheritedWords';

type Strain = NonNullable<HereditySection['strains']>[number];

/** Strains with what is common among their founders, and which are never mixed. */
export function StrainsCard({ id, section, put }: HeredityProps & { id: string }) {
  const strains = section.strains ?? [];
  const rules = section.neverMix ?? [];
  const [problem, setProblem] = useState<string>();
  const keep = (next: readonly Strain[], apart = rules) =>
    put({
      ...omit(section, 'strains', 'neverMix'),
      ...(next.length ? { strains: [...next] } : {}),
      ...(apart.length ? { neverMix: [...apart] } : {}),
    });
  return (
    <Card title="Strains" aside={strains.length ? `${strains.length}` : undefined}>
      <Text quiet>By what the book calls them. Alleles may be more common among the founders of a strain than elsewhere.</Text>
      {strains.map((strain) => (
        <Stack key={strain.id} padY="s" ruled="above">
          <Row align="center">
            <Text strong fill={180}>
              {strain.id}
            </Text>
            <Button
              small
              kind="quiet"
              label="Remove"
              hint={`Remove the strain ${strain.id}`}
              onPress={() =>
                keep(
                  strains.filter((one) => one !== strain),
                  rules.filter((rule) => !rule.strains.includes(strain.id)),
                )
              }
            />
          </Row>
          {section.loci.map((locus) => (
            <FoundersField
              key={locus.id}
              label={`${locusName(section, locus.id)} among founders of ${strain.id}`}
              alleles={locus.alleles.map(({ id }) => id)}
              shares={strain.founders?.[locus.id]}
              onChange={(shares) => {
                const rest = omit(strain.founders ?? {}, locus.id);
                const founders = shares ? { ...rest, [locus.id]: shares } : rest;
                keep(
                  strains.map((one) =>
                    one === strain ? { id: one.id, ...(Object.keys(founders).length ? { founders } : {}) } : one,
                  ),
                );
              }}
            />
          ))}
        </Stack>
      ))}
      <CommitField
        label="Another strain"
        value=""
        maxLength={80}
        blurOnSubmit={false}
        problem={problem}
        onCommit={(text) => {
          const id = text.trim();
          const taken = strains.some((one) => one.id === id);
          setProblem(taken ? `There is a strain “${id}” already.` : undefined);
          if (id && !taken) keep([...strains, { id }]);
        }}
      />
      {rules.map((rule) => (
        <Row key={rule.strains.join('\n')} align="center">
          <Text fill={180}>{`${rule.strains.join(' and ')} are kept apart: ${rule.why}`}</Text>
          <Button
            small
            kind="quiet"
            label="Remove"
            hint={`Remove: ${rule.strains.join(' and ')} are kept apart`}
            onPress={() =>
              keep(
                strains,
                rules.filter((one) => one !== rule),
              )
            }
          />
        </Row>
      ))}
      {strains.length > 1 && (
        <ApartForm key={rules.length} id={id} strains={strains} rules={rules} onAdd={(rule) => keep(strains, [...rules, rule])} />
      )}
    </Card>
  );
}

type Rule = NonNullable<HereditySection['neverMix']>[number];

function ApartForm({
  id,
  strains,
  rules,
  onAdd,
}: {
  id: string;
  strains: readonly Strain[];
  rules: readonly Rule[];
  onAdd: (rule: Rule) => void;
}) {
  const [two, setTwo] = useState<string[]>([]);
  const [why, setWhy] = useKeptText(`apart.${id}`);
  const [problem, setProblem] = useState<string>();
  const add = () => {
    const [a, b, ...more] = two;
    if (a === undefined || b === undefined || more.length) return setProblem('Choose two strains.');
    if (rules.some((rule) => rule.strains.includes(a) && rule.strains.includes(b)))
      return setProblem('These two are kept apart already.');
    if (!why.trim()) return setProblem('Say why; it is said to whoever would pair them.');
    onAdd({ strains: [a, b], why: why.trim() });
    setWhy('');
  };
  return (
    <Stack padY="s" ruled="above">
      <ChoiceGroup
        many
        label="Keep apart"
        options={strains.map(({ id }) => ({ id, label: id }))}
        chosen={two}
        onChange={setTwo}
      />
      <TextField label="Why they are kept apart" value={why} onChangeText={setWhy} maxLength={400} problem={problem} />
      <Row align="center">
        <Button small label="Keep these two apart" onPress={add} />
      </Row>
    </Stack>
  );
}

interface FoundersProps {
  label: string;
  alleles: readonly string[];
  shares?: Record<string, number>;
  onChange: (shares: Record<string, number> | undefined) => void;
}

function FoundersField({ label, alleles, shares, onChange }: FoundersProps) {
  const [problem, setProblem] = useState<string>();
  return (
    <CommitField
      label={label}
      hint={`Such as ${alleles.map((id, i) => `${id} ${i ? 10 : 100 - 10 * (alleles.length - 1)}`).join(', ')}; empty where it is as elsewhere.`}
      value={sayShares(shares)}
      problem={problem}
      onCommit={(text) => {
        const read = readShares(text, alleles);
        setProblem(read.ok ? undefined : read.problems[0].message);
        if (read.ok) onChange(read.value);
      }}
    />
  );
}
