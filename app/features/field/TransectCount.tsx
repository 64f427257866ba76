import { garwoodOf } from './density';
import { useState } from 'react';
import { z } from 'zod';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Row } from '../../ui/Row';
import { Table } from '../../ui/Table';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
import type { CountProps } from './CountPage';
import { felt } from './felt';
import { numberOf } from '../../lib/numberOf';
import { useKeptState } from '../../lib/useKeptState';
import { useKeptText } from '../../lib/useKeptText';

const Area = z.object({ area: z.string() });

/** Quadrats along a line, each with so many of each kind. */
export function TransectCount({ id, content, change }: CountProps) {
  const quadrats = content.quadrats ?? [];
  const [kind, setKind] = useKeptText(`kind.${id}`);
  const last = quadrats.at(-1);
  const [along, setAlong] = useKeptText(`along.${id}`);
  const [{ area }, setArea] = useKeptState(`area.${id}`, Area, { area: last ? String(last.area) : '0.25' });
  const [problem, setProblem] = useState<{ at: string; says: string }>();
  const says = (at: string) => (problem?.at === at ? problem.says : undefined);
  const add = () => {
    const [m, size] = [along.trim() ? numberOf(along) : last ? last.along + stepOf(quadrats) : 0, numberOf(area)];
    if (m === undefined || m < 0 || m > 100_000)
      return setProblem({ at: 'along', says: 'Write the metres from the beginning, such as 15.' });
    if (size === undefined || !(size > 0) || size > 10_000)
      return setProblem({ at: 'area', says: 'Write the area in m², such as 0.25.' });
    change((now) => ({
      ...now,
      quadrats: [...(now.quadrats ?? []), { along: m, area: size, counts: now.tallies.map(() => 0) }],
    }));
    setAlong('');
    setProblem(undefined);
  };
  const tell = (q: number, k: number, by: number) => {
    felt(by < 0);
    change((now) => ({
      ...now,
      quadrats: now.quadrats?.map((one, i) =>
        i === q ? { ...one, counts: now.tallies.map((_, j) => Math.max(0, (one.counts[j] ?? 0) + (j === k ? by : 0))) } : one,
      ),
    }));
  };
  return (
    <>
      <Card title="Kinds">
        {content.tallies.map(({ label }) => (
          <Text key={label}>{label}</Text>
        ))}
        <TextField label="Another kind" value={kind} onChangeText={setKind} maxLength={120} />
        <Row justify="end">
          <Button
            small
            label="Add the kind"
            disabled={!kind.trim() || content.tallies.some(({ label }) => label === kind.trim())}
            onPress={() => {
              change((now) => ({
                ...now,
                tallies: [...now.tallies, { label: kind.trim(), males: 0, females: 0, unsexed: 0 }],
                quadrats: now.quadrats?.map((one) => ({ ...one, counts: [...one.counts, 0] })),
              }));
              setKind('');
            }}
          />
        </Row>
      </Card>
      {quadrats.map((quadrat, q) => (
        <Card key={q} title={`${quadrat.along} m`} aside={`${quadrat.area} m²`}>
          {content.tallies.map(({ label }, k) => (
            <Row key={label} align="center" ruled="above" oneLine>
              <Text fill>{label}</Text>
              <Button
                small
                label="−"
                hint={`One fewer ${label} at ${quadrat.along} m`}
                disabled={!quadrat.counts[k]}
                onPress={() => tell(q, k, -1)}
              />
              <Text size="lead" strong figures>
                {quadrat.counts[k] ?? 0}
              </Text>
              <Button small label="+" hint={`One more ${label} at ${quadrat.along} m`} onPress={() => tell(q, k, 1)} />
            </Row>
          ))}
        </Card>
      ))}
      <Card title="The next quadrat">
        <Row gap="m">
          <TextField
            label="Metres along"
            unit="m"
            value={along}
            onChangeText={setAlong}
            inputMode="decimal"
            placeholder={last ? String(last.along + stepOf(quadrats)) : '0'}
            problem={says('along')}
          />
          <TextField
            label="Area"
            unit="m²"
            value={area}
            onChangeText={(next) => setArea({ area: next })}
            inputMode="decimal"
            problem={says('area')}
          />
        </Row>
        <Row justify="end">
          <Button kind="main" label="Add it" onPress={add} />
        </Row>
      </Card>
      {quadrats.length > 0 && (
        <Card title="A square metre">
          <Table
            label="Density of each kind"
            columns={['Kind', 'Counted', 'A m²', '95 %']}
            rows={content.tallies.map(({ label }, k) => {
              const { n, rate, low, high } = garwoodOf(quadrats, k);
              return [label, String(n), rate.toFixed(1), `${low.toFixed(1)}–${high.toFixed(1)}`];
            })}
          />
          <Text size="small" quiet>
            Garwood’s interval (1936): right where animals lie independently of one another; where they crowd, it is too narrow.
          </Text>
        </Card>
      )}
    </>
  );
}

/** Metres between the last two. */
const stepOf = (quadrats: readonly { along: number }[]): number => {
  const [a, b] = quadrats.slice(-2);
  return a && b ? Math.max(0, b.along - a.along) : 5;
};
