import type { DraftCharacter } from '@plesion/core/authoring';
import { Button } from '../../ui/Button';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
import type { GridCell } from './grid';
import type { TreeRow } from './taxonTree';

interface Props {
  taxon: TreeRow['taxon'];
  character: DraftCharacter;
  cell: GridCell;
  /** Undefined while nothing is typed. */
  typing: string | undefined;
  /** Did somebody begin to type just now? Then the field has the keys. */
  asked: boolean;
  onType: (text: string) => void;
  /** By how many rows and columns one goes on. */
  onTake: (rows: number, columns: number) => void;
  onDrop: () => void;
  onFill: () => void;
}

/** The chosen cell of the grid: what it is of, what its states are called, and what is written in it. */
export const CellEditor = ({ taxon, character, cell, typing, asked, onType, onTake, onDrop, onFill }: Props) => (
  <Stack>
    <Text strong>{`${taxon.name}: ${character.label}`}</Text>
    {character.states && (
      <Text size="small" quiet>
        {character.states.map(({ label }) => label).join('; ')}
      </Text>
    )}
    {cell.from && <Text size="small" quiet>{`It has this from ${cell.from}, until something is written here.`}</Text>}
    {cell.more > 0 && (
      <Text
        size="small"
        quiet
      >{`${cell.more} more for parts of it, such as a sex, a region or a season: choose them above.`}</Text>
    )}
    <TextField
      key={`${taxon.id} ${character.id} ${typing === undefined}`}
      label="What is written in the cell"
      value={typing ?? (cell.from ? '' : cell.text)}
      autoFocus={typing !== undefined && asked}
      autoCorrect={false}
      onChangeText={onType}
      onSubmitEditing={() => onTake(1, 0)}
      blurOnSubmit={false}
      onKeyPress={(event) => {
        const { key } = event.nativeEvent;
        if (key === 'Tab' && typing !== undefined) {
          event.preventDefault();
          onTake(0, 1);
        } else if (key === 'Escape') onDrop();
      }}
    />
    <Row align="center">
      <Button small label="Write it" disabled={typing === undefined} onPress={() => onTake(0, 0)} />
      {typing !== undefined && <Button small kind="quiet" label="Cancel" onPress={onDrop} />}
      <Button small kind="quiet" label="Same for all that have nothing" disabled={!cell.text} onPress={onFill} />
    </Row>
  </Stack>
);
