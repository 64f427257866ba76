import { withFrequency, withoutAllele, withoutLocus, writtenGenotypes } from '@plesion/core/authoring';
import type { HereditySection } from '@plesion/core/guide';
import { useState } from 'react';
import { numberOf } from '../../lib/numberOf';
import { omit } from '../../lib/omit';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Picker } from '../../ui/Picker';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { CommitField } from './CommitField';
import { locusName } from './inheritedWords';

type Locus = HereditySection['loci'][number];

interface Props {
  section: HereditySection;
  locus: Locus;
  put: (section: HereditySection | undefined) => void;
}

const PLACES = [
  { id: 'autosomal', label: 'any chromosome' },
  { id: 'sex-linked', label: 'the sex chromosome' },
] as const;

/** Recombinants in 100, of two loci of which nothing is known. */
const FREE = 0.5;

/** A gene: its name, where it lies, its alleles, what does not live. */
export function GeneCard({ section, locus, put }: Props) {
  const { id, label, inheritance, alleles, lethal = [], after } = locus;
  const name = locusName(section, id);
  const change = (next: Locus) => put({ ...section, loci: section.loci.map((one) => (one === locus ? next : one)) });
  const genotypes = writtenGenotypes(locus, section.system);
  const before = section.loci.slice(0, section.loci.indexOf(locus)).filter((one) => one.inheritance === inheritance);
  return (
    <Card title={`Gene: ${name}`} aside={`${alleles.length} alleles`}>
      <Stack gap="m">
        <CommitField
          label={`Name of ${name}`}
          value={label ?? id}
          maxLength={80}
          onCommit={(text) => text.trim() && change({ ...locus, label: text.trim() })}
        />
        <ChoiceGroup
          label={`${name} lies on`}
          options={PLACES}
          chosen={[inheritance]}
          onChange={([next]) => change({ ...locus, inheritance: next })}
        />
        {alleles.map((allele) => (
          <AlleleRow key={allele.id} {...{ section, locus, allele, put, change }} name={name} />
        ))}
        <NewAllele
          locus={locus}
          name={name}
          onAdd={(sign) => change({ ...locus, alleles: [...alleles, { id: sign, frequency: 0 }] })}
        />
        <ChoiceGroup
          many
          label={`Of ${name}, these do not hatch`}
          options={genotypes.map((written) => ({ id: written, label: written }))}
          chosen={lethal}
          onChange={(next) => change(next.length ? { ...locus, lethal: next } : omit(locus, 'lethal'))}
        />
        {before.length > 0 && (
          <>
            <Text size="small" strong quiet>
              {`${name} lies beside`}
            </Text>
            <Picker
              label={`${name} lies beside`}
              items={before.map((one) => ({ id: one.id, label: locusName(section, one.id) }))}
              chosen={after?.locus}
              onChange={(other) => change({ ...locus, after: { locus: other, recombination: { male: FREE, female: FREE } } })}
              onClear={() => change(omit(locus, 'after'))}
            />
            {after &&
              (['male', 'female'] as const).map((sex) => (
                <PercentField
                  key={sex}
                  label={`Of 100 young of a ${sex}, recombined`}
                  value={after.recombination[sex]}
                  most={50}
                  onChange={(share) =>
                    change({ ...locus, after: { ...after, recombination: { ...after.recombination, [sex]: share } } })
                  }
                />
              ))}
          </>
        )}
        <Row>
          <Button
            small
            kind="quiet"
            label="Remove the gene"
            hint={`Remove the gene: ${name}`}
            onPress={() => put(withoutLocus(section, id))}
          />
        </Row>
      </Stack>
    </Card>
  );
}

interface AlleleProps extends Props {
  allele: Locus['alleles'][number];
  name: string;
  change: (locus: Locus) => void;
}

function AlleleRow({ section, locus, allele, name, put, change }: AlleleProps) {
  return (
    <Row align="end">
      <Box fill={180}>
        <CommitField
          label={`What ${allele.id} of ${name} is called`}
          value={allele.label ?? ''}
          maxLength={80}
          onCommit={(text) =>
            change({
              ...locus,
              alleles: locus.alleles.map((one) =>
                one === allele ? (text.trim() ? { ...one, label: text.trim() } : omit(one, 'label')) : one,
              ),
            })
          }
        />
      </Box>
      <PercentField
        label={`Of 100 alleles of founders, ${allele.id}`}
        value={allele.frequency}
        most={100}
        onChange={(share) => change(withFrequency(locus, allele.id, share))}
      />
      {locus.alleles.length > 2 && (
        <Button
          small
          kind="quiet"
          label="Remove"
          hint={`Remove the allele: ${allele.id} of ${name}`}
          onPress={() => put(withoutAllele(section, locus.id, allele.id))}
        />
      )}
    </Row>
  );
}

function NewAllele({ locus, name, onAdd }: { locus: Locus; name: string; onAdd: (sign: string) => void }) {
  const [problem, setProblem] = useState<string>();
  return (
    <CommitField
      label={`Another allele of ${name}`}
      hint="By a sign without spaces, such as q."
      value=""
      maxLength={24}
      problem={problem}
      onCommit={(text) => {
        const sign = text.trim();
        if (!sign) return;
        const taken = locus.alleles.some(({ id }) => id === sign);
        const wrong = /[/\s]/.test(sign)
          ? 'Use no space and no “/”.'
          : taken
            ? `There is an allele “${sign}” already.`
            : locus.alleles.length >= 8
              ? 'A gene has up to eight alleles.'
              : undefined;
        setProblem(wrong);
        if (!wrong) onAdd(sign);
      }}
    />
  );
}

interface PercentProps {
  label: string;
  /** From 0 to 1. */
  value: number;
  /** In 100. */
  most: number;
  onChange: (share: number) => void;
}

/** A share, written in 100. */
function PercentField({ label, value, most, onChange }: PercentProps) {
  const [problem, setProblem] = useState<string>();
  return (
    <CommitField
      label={label}
      value={String(+(100 * value).toFixed(4))}
      inputMode="decimal"
      problem={problem}
      onCommit={(text) => {
        const number = numberOf(text);
        const right = number !== undefined && number >= 0 && number <= most;
        setProblem(right ? undefined : `Write a number from 0 to ${most}.`);
        if (right) onChange(number / 100);
      }}
    />
  );
}
