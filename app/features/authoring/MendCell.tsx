import type { CellProblem } from '@plesion/core/authoring';
import { cellKey, printCell } from '@plesion/core/authoring';
import { useState } from 'react';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { CommitField } from './CommitField';
import { editOf } from './grid';
import type { PartProps } from './WritingScreen';

interface Props extends Pick<PartProps, 'draft' | 'scores' | 'edit'> {
  /** Whose table it was. */
  source: string;
  of: CellProblem;
}

/** A cell of a table that was not taken, and why; written here as it is to be, it is. */
export function MendCell({ draft, scores, edit, source, of: { taxon: name, character: label, text, message } }: Props) {
  const [why, setWhy] = useState(message);
  /** What the cell said before it was mended: where it says that again, it was taken back. */
  const [before, setBefore] = useState<string>();
  const taxon = draft.taxa.find((one) => one.name === name);
  const character = draft.characters.find((one) => one.label === label);
  const score = taxon && character && scores.get(cellKey({ character: character.id, scope: { taxon: taxon.id }, source }));
  const said = score ? printCell(character, score.value, draft.taxa) : '';
  if (before !== undefined && said !== before)
    return <Text size="small">{`${name}, ${label}: now ${said ? `“${said}”` : 'empty'}.`}</Text>;
  const mend = (next: string) => {
    const { edit: change, problems } = editOf(
      [{ taxon: taxon!, character: character!, text: next }],
      source,
      scores,
      {},
      draft.taxa,
    );
    if (problems.length) return setWhy(problems[0].message);
    if (change && edit(change)) setBefore(said);
  };
  return (
    <Stack gap="xs">
      <Text size="small">{`${name}, ${label}, “${text}”: ${why}`}</Text>
      {taxon && character && <CommitField label={`Instead, for ${name}, ${label}`} value={text} onCommit={mend} />}
    </Stack>
  );
}
