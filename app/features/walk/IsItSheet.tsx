import { endpointId, endpointsOf, printStatements, wayTo } from '@plesion/core/keys';
import { memo, useMemo, useState } from 'react';
import { colour } from '../../theme/index';
import { Button } from '../../ui/Button';
import { TextField } from '../../ui/TextField';
import { Card } from '../../ui/Card';
import { PressBox } from '../../ui/PressBox';
import { Text } from '../../ui/Text';
import { WrittenName } from '../../ui/WrittenName';
import type { OpenWalk } from './useWalk';

/** "Is it X?": the couplets that X must pass, with what was decided there; and a start at a later couplet. */
export const IsItSheet = memo(function IsItSheet({ bench, onShow }: { bench: OpenWalk; onShow: (couplet: string) => void }) {
  const { key } = bench.stored;
  const [asked, setAsked] = useState('');
  const [chosen, setChosen] = useState<string>();
  const endings = useMemo(
    () => endpointsOf(key).flatMap((to) => (to.kind === 'taxon' ? [{ id: endpointId(to)!, name: to.name }] : [])),
    [key],
  );
  const words = asked.toLowerCase().trim();
  const found = words ? endings.filter(({ name }) => name.toLowerCase().includes(words)).slice(0, 6) : [];
  const way = chosen ? wayTo(key, chosen) : [];
  const taken = new Map(bench.result.trail.map((step) => [step.couplet, step.lead]));
  return (
    <Card title="Is it …?" aside={chosen && <Button small kind="quiet" label="Clear" onPress={() => setChosen(undefined)} />}>
      {!chosen && (
        <TextField label="A name the key ends at" value={asked} onChangeText={setAsked} placeholder={endings[0]?.name} />
      )}
      {!chosen &&
        found.map(({ id, name }) => (
          <PressBox key={id} role="button" onPress={() => setChosen(id)} gap="s" align="center" touch across oneLine>
            <Text>{name}</Text>
          </PressBox>
        ))}
      {chosen && <WrittenName name={endings.find(({ id }) => id === chosen)?.name ?? ''} />}
      {way.map(({ couplet, lead }) => {
        const own = taken.get(couplet.id);
        const passed = own === lead.id;
        return (
          <PressBox key={couplet.id} role="button" onPress={() => onShow(couplet.id)} gap="s" align="center" touch across oneLine>
            <Text strong color={own === undefined ? colour.quiet : passed ? colour.for : colour.against} wide={58}>
              {`${own === undefined ? '' : passed ? '✓ ' : '✕ '}${couplet.number}${lead.id}`}
            </Text>
            <Text size="small" fill>
              {printStatements(lead.statements)}
            </Text>
          </PressBox>
        );
      })}
      {way.length > 1 && !bench.kept.start && (
        <Button
          small
          label={`Start at couplet ${way.at(-2)!.couplet.number}`}
          hint="Start there: the group is known already"
          onPress={() => bench.start(way.at(-2)!.couplet.id)}
        />
      )}
      {bench.kept.start && <Button small label="Start at the beginning again" onPress={() => bench.start(undefined)} />}
    </Card>
  );
});
