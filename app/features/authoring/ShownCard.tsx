import { writtenGenotypes } from '@plesion/core/authoring';
import type { HereditySection } from '@plesion/core/guide';
import { useState } from 'react';
import { numberOf } from '../../lib/numberOf';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Notice } from '../../ui/Notice';
import { Picker } from '../../ui/Picker';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
import { exchanged } from './exchanged';
import { locusName, sayShownRule, sayTest, type SeenBy, type ShownRule, type Test } from './inheritedWords';

type Expression = HereditySection['characters'][number];

interface Props {
  section: HereditySection;
  expression: Expression;
  /** The facet or the character that is seen; nothing where it is gone from the guide. */
  seen?: SeenBy;
  put: (section: HereditySection) => void;
}

/** By which rules genes are seen: gone through from the first, and the first that is met holds. */
export function ShownCard({ section, expression, seen, put }: Props) {
  const [adding, setAdding] = useState(false);
  const { rules, loci } = expression;
  const change = (next: Partial<Expression>) =>
    put({ ...section, characters: section.characters.map((one) => (one === expression ? { ...one, ...next } : one)) });
  const name = seen?.label ?? `${expression.id} (no longer in the guide)`;
  return (
    <Card title={`What shows: ${name}`}>
      <Text quiet>
        The rules are gone through from the first; the first that is met holds. The last is for all that are left.
      </Text>
      {section.loci.length > 1 && (
        <ChoiceGroup
          many
          label={`${name} hangs on`}
          options={section.loci.map(({ id }) => ({ id, label: locusName(section, id) }))}
          chosen={loci}
          onChange={(next) =>
            next.length &&
            change({ loci: next, rules: rules.filter(({ where }) => Object.keys(where).every((id) => next.includes(id))) })
          }
        />
      )}
      {rules.map((rule, n) => {
        const says = sayShownRule(section, seen, rule);
        return (
          <Row key={n} align="center" padY="xs" ruled="above">
            <Text fill={120}>{`${n + 1}. ${says}`}</Text>
            {n > 0 && (
              <Button
                small
                kind="quiet"
                label="Earlier"
                hint={`Earlier: ${says}`}
                onPress={() => change({ rules: exchanged(rules, n) })}
              />
            )}
            {rules.length > 1 && (
              <Button
                small
                kind="quiet"
                label="Remove"
                hint={`Remove the rule: ${says}`}
                onPress={() => change({ rules: rules.filter((one) => one !== rule) })}
              />
            )}
          </Row>
        );
      })}
      {adding && seen ? (
        <RuleForm
          {...{ section, expression, seen }}
          onLeave={() => setAdding(false)}
          onAdd={(rule) => {
            change({ rules: [...rules.slice(0, -1), rule, rules[rules.length - 1]] });
            setAdding(false);
          }}
        />
      ) : (
        seen && (
          <Row>
            <Button small label="Another rule" hint={`Another rule: ${name}`} onPress={() => setAdding(true)} />
          </Row>
        )
      )}
    </Card>
  );
}

const SEXES = [
  { id: 'both', label: 'either sex' },
  { id: 'female', label: 'females' },
  { id: 'male', label: 'males' },
] as const;

interface FormProps {
  section: HereditySection;
  expression: Expression;
  seen: SeenBy;
  onAdd: (rule: ShownRule) => void;
  onLeave: () => void;
}

/** A rule before the last: of which genotype, of which sex, what shows, and in how many. */
function RuleForm({ section, expression, seen, onAdd, onLeave }: FormProps) {
  const [where, setWhere] = useState<Record<string, string>>({});
  const [sex, setSex] = useState<'both' | 'female' | 'male'>('both');
  const [state, setState] = useState<string>();
  const [often, setOften] = useState('100');
  const [otherwise, setOtherwise] = useState<string>();
  const [problem, setProblem] = useState<string>();
  const items = seen.states.map(({ id, label }) => ({ id, label }));
  const share = numberOf(often);
  const some = share !== undefined && share < 100;
  const add = () => {
    if (!state) return setProblem('Say what shows.');
    if (share === undefined || share <= 0 || share > 100) return setProblem('Write in how many of 100, above 0 and up to 100.');
    if (some && (!otherwise || otherwise === state)) return setProblem('Say what the others show.');
    const tests = Object.entries(where).map(([id, key]): [string, Test] => [id, JSON.parse(key) as Test]);
    onAdd({
      where: Object.fromEntries(tests),
      ...(sex === 'both' ? {} : { sex }),
      shows: some ? { [state]: share / 100, [otherwise!]: Math.round((1 - share / 100) * 1e6) / 1e6 } : state,
    });
  };
  const stateOf = (title: string, chosen: string | undefined, choose: (id: string) => void) => (
    <Stack gap="xs">
      <Text size="small" strong quiet>
        {title}
      </Text>
      <Picker label={title} items={items} chosen={chosen} onChange={choose} />
    </Stack>
  );
  return (
    <Stack gap="m" role="group" aria-label="Another rule">
      {expression.loci.map((id) => {
        const locus = section.loci.find((one) => one.id === id);
        return (
          locus && (
            <ChoiceGroup
              key={id}
              label={`Where ${locusName(section, id)}`}
              options={testsOf(section, locus).map((test) => ({ id: JSON.stringify(test), label: sayTest(test) }))}
              chosen={where[id] ? [where[id]] : []}
              clearable
              onChange={([key]) =>
                setWhere(
                  Object.fromEntries([...Object.entries(where).filter(([one]) => one !== id), ...(key ? [[id, key]] : [])]),
                )
              }
            />
          )
        );
      })}
      <ChoiceGroup label="Of" options={SEXES} chosen={[sex]} onChange={([next]) => setSex(next)} />
      {stateOf('What shows', state, setState)}
      <TextField label="In how many of 100" value={often} onChangeText={setOften} inputMode="decimal" />
      {some && stateOf('The others show', otherwise, setOtherwise)}
      {problem && <Notice kind="problem">{problem}</Notice>}
      <Row>
        <Button kind="quiet" label="Cancel" onPress={onLeave} />
        <Button label="Add the rule" onPress={add} />
      </Row>
    </Stack>
  );
}

/** All that a genotype of a locus may be asked for. */
const testsOf = ({ system }: HereditySection, locus: HereditySection['loci'][number]): Test[] => [
  ...locus.alleles.map(({ id }): Test => ({ has: id })),
  ...locus.alleles.map(({ id }): Test => ({ only: id })),
  ...writtenGenotypes(locus, system)
    .filter((written) => new Set(written.split('/')).size > 1)
    .map((written): Test => ({ is: written })),
];
