import type { CellProblem } from '@plesion/core/authoring';
import { useState } from 'react';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { CommitField } from './CommitField';
import { editOf } from './grid';
import type { PartProps } from './WritingScreen';

interface Props extends Pick<PartProps, 'draft' | 'scores' | 'edit'> {
  source: string;
  of: CellProblem;
}

/** A cell of a table that was not taken, and why; written here as it is to be, it is. */
export function MendCell({ draft, scores, edit, source, of: { taxon: name, character: label, text, message } }: Props) {
  const [why, setWhy] = useState(message);
  const [written, setWritten] = useState<string>();
  const taxon = draft.taxa.find((one) => one.name === name);
  const character = draft.characters.find((one) => one.label === label);
  if (written !== undefined) return <Text size="small">{`${name}, ${label}: now “${written}”.`}</Text>;
  const mend = (next: string) => {
    const { edit: change, problems } = editOf(
      [{ taxon: taxon!, character: character!, text: next }],
      source,
      scores,
      {},
      draft.taxa,
    );
    if (problems.length) return setWhy(problems[0].message);
    if (!change || edit(change)) setWritten(next);
  };
  return (
    <Stack gap="xs">
      <Text size="small">{`${name}, ${label}, “${text}”: ${why}`}</Text>
      {taxon && character && <CommitField label={`Instead, for ${name}, ${label}`} value={text} onCommit={mend} />}
    </Stack>
  );
}
