import type { ImportTried } from '@plesion/contract';
import type { ImportHow } from '@plesion/core/import';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';

/** Kinds of faults, and of each the cells and lines, that are told. */
const SHOWN = 20;
const CELLS = 3;
const LINES = 6;

interface ImportLinesProps {
  tried: ImportTried;
  how: ImportHow;
  onChange: (part: Partial<ImportHow>) => void;
}

/** What is wrong by line, and what may be done about it here: words are meant elsewhere, cells are mended in the table. */
export function ImportLines({ tried, how, onChange }: ImportLinesProps) {
  const { problems, wrongLines } = tried;
  const leaveOut = how.leaveOut ?? [];
  const groups = grouped(problems);
  return (
    <Card title="Lines with something wrong" aside={`${wrongLines}`}>
      <TextField
        label="Why what a rule or a licence stands against is so all the same"
        value={how.stands ?? ''}
        onChangeText={(stands) => onChange({ stands: stands || undefined })}
        maxLength={120}
        placeholder="As it stands in the ringing book of those years"
        hint="It is kept with each of them, with your name."
      />
      <ChoiceGroup
        label="Lines that cannot be read"
        options={[
          { id: 'mend', label: 'are mended first' },
          { id: 'leave', label: 'are left out, all of them' },
        ]}
        chosen={[how.leaveWrong ? 'leave' : 'mend']}
        onChange={([one]) => onChange({ leaveWrong: one === 'leave' ? true : undefined })}
      />
      {groups.slice(0, SHOWN).map(({ says, cells, lines }) => {
        const gone = lines.every((line) => leaveOut.includes(line));
        return (
          <Row key={says} align="center" padTop="xs" ruled="above" oneLine>
            <Box fill>
              <Text size="small">{says}</Text>
              <Text size="small" quiet>
                {[sayLines(lines), cells.join(' · ')].filter(Boolean).join(' · ')}
              </Text>
            </Box>
            <Button
              small
              kind="quiet"
              label={gone ? 'Left out' : 'Leave out'}
              hint={`${gone ? 'Left out' : 'Leave out'}: ${sayLines(lines)}`}
              onPress={() =>
                onChange({
                  leaveOut: gone ? leaveOut.filter((line) => !lines.includes(line)) : [...new Set([...leaveOut, ...lines])],
                })
              }
            />
          </Row>
        );
      })}
      {groups.length > SHOWN && <Text size="small" quiet>{`and ${groups.length - SHOWN} more kinds of faults`}</Text>}
    </Card>
  );
}

interface Group {
  says: string;
  cells: string[];
  lines: number[];
}

/** What is wrong in the same words, together; words that are not understood are said for themselves. */
function grouped(problems: ImportTried['problems']): Group[] {
  const groups = new Map<string, Group>();
  for (const { message, line, column, cell, of } of problems) {
    if (of && cell && of !== 'day') continue;
    const says = message.replace(/^Line \d+: /, '');
    const group = groups.get(says) ?? { says: says[0].toUpperCase() + says.slice(1), cells: [], lines: [] };
    if (!group.lines.includes(line)) group.lines.push(line);
    const told = column && cell ? `${column}: “${cell}”` : '';
    if (told && !group.cells.includes(told) && group.cells.length < CELLS) group.cells.push(told);
    groups.set(says, group);
  }
  return [...groups.values()].sort((a, b) => b.lines.length - a.lines.length);
}

const sayLines = (lines: readonly number[]): string =>
  lines.length === 1
    ? `line ${lines[0]}`
    : `lines ${lines.slice(0, LINES).join(', ')}${lines.length > LINES ? ` and ${lines.length - LINES} more` : ''}`;
