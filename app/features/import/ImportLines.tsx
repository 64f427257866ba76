import type { ImportTried } from '@plesion/contract';
import type { ImportHow } from '@plesion/core/import';
import { StyleSheet, View } from 'react-native';
import { colour, space } from '../../theme';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';

const SHOWN = 20;

interface ImportLinesProps {
  tried: ImportTried;
  how: ImportHow;
  onChange: (part: Partial<ImportHow>) => void;
}

/** What is wrong by line, and what may be done about it here: words are meant elsewhere, cells are mended in the table. */
export function ImportLines({ tried, how, onChange }: ImportLinesProps) {
  const { problems, wrongLines } = tried;
  const leaveOut = how.leaveOut ?? [];
  const asksWhy = problems.some(({ field }) => field === 'stands') || how.stands !== undefined;
  const bare = problems.filter(({ of, cell }) => !of || !cell);
  return (
    <Card title="Lines with something wrong" aside={`${wrongLines}`}>
      {asksWhy && (
        <TextField
          label="Why what a rule or a licence stands against is so all the same"
          value={how.stands ?? ''}
          onChangeText={(stands) => onChange({ stands: stands || undefined })}
          maxLength={120}
          placeholder="As it stands in the ringing book of those years"
          hint="It is kept with each of them, with your name."
        />
      )}
      <ChoiceGroup
        label="Lines that cannot be read"
        options={[
          { id: 'mend', label: 'are mended first' },
          { id: 'leave', label: 'are left out, all of them' },
        ]}
        chosen={[how.leaveWrong ? 'leave' : 'mend']}
        onChange={([one]) => onChange({ leaveWrong: one === 'leave' ? true : undefined })}
      />
      {bare.slice(0, SHOWN).map((problem, i) => (
        <View key={`${problem.line} ${problem.code} ${i}`} style={styles.row}>
          <View style={styles.grow}>
            <Text size="small">{problem.message}</Text>
            {problem.column && (
              <Text size="small" quiet>
                {`${problem.column}: ${problem.cell ? `“${problem.cell}”` : 'empty'}`}
              </Text>
            )}
          </View>
          <Button
            small
            kind="quiet"
            label={leaveOut.includes(problem.line) ? 'Left out' : 'Leave out'}
            hint={`${leaveOut.includes(problem.line) ? 'Left out' : 'Leave out'}: line ${problem.line}`}
            onPress={() =>
              onChange({
                leaveOut: leaveOut.includes(problem.line)
                  ? leaveOut.filter((line) => line !== problem.line)
                  : [...leaveOut, problem.line],
              })
            }
          />
        </View>
      ))}
      {bare.length > SHOWN && <Text size="small" quiet>{`and ${bare.length - SHOWN} more, of which these are the first`}</Text>}
    </Card>
  );
}

const styles = StyleSheet.create({
  row: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.s,
    borderTopWidth: 1,
    borderColor: colour.mist,
    paddingTop: space.xs,
  },
  grow: { flex: 1, minWidth: 0 },
});
