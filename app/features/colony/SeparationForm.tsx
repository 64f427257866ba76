import type { ColonyMember } from '@plesion/contract/colony';
import type { Separated } from '@plesion/core/heredity/schema';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { today } from '../../lib/dates';
import { space } from '../../theme';
import { Button } from '../../ui/Button';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { TextField } from '../../ui/TextField';
import { useKept } from './useKept';
import { foundWords, isDay } from './words';

interface Props {
  guideId: string;
  member: ColonyMember;
  /** The pen that it was taken from. */
  pen: string;
  onDone: (found?: Separated) => void;
}

/** What came of keeping one alone. */
export function SeparationForm({ guideId, member, pen, onDone }: Props) {
  const [on, setOn] = useState(today());
  const [found, setFound] = useState<Separated>();
  const { write, busy, problem, setProblem, at } = useKept(guideId, member, () => onDone(found));
  const submit = () => {
    if (!isDay(on)) return setProblem({ field: 'on', message: 'Write the day as YYYY-MM-DD.' });
    if (!found) return setProblem({ field: 'found', message: 'Say what came of it.' });
    write({ separations: [...(member.kept.separations ?? []), { on, from: pen, found }] });
  };
  return (
    <View style={styles.form}>
      <ChoiceGroup
        label={`${member.name}, kept alone`}
        options={foundWords(pen)}
        chosen={found ? [found] : []}
        onChange={([one]: Separated[]) => setFound(one)}
      />
      {at('found') && <Notice kind="problem">{at('found')!}</Notice>}
      <TextField label="Seen on" value={on} onChangeText={setOn} hint="As YYYY-MM-DD." problem={at('on')} />
      {problem && !['on', 'found'].includes(problem.field ?? '') && <Notice kind="problem">{problem.message}</Notice>}
      <Row justify="end">
        <Button kind="quiet" label="Not now" onPress={() => onDone()} />
        <Button kind="main" label="Write it down" busy={busy} onPress={submit} />
      </Row>
    </View>
  );
}

const styles = StyleSheet.create({
  form: { gap: space.s, paddingBottom: space.s },
});
