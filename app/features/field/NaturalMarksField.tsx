import { NATURAL_MARK_WORDS, NATURAL_MARKS, type NaturalMark } from '@plesion/core/fieldwork';
import type { Guide } from '@plesion/core/guide';
import { useState } from 'react';
import { v7 as mintId } from 'uuid';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Dialog } from '../../ui/Dialog';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
import { AddPhotos } from '../photos/AddPhotos';
import { MarkPhoto, NaturalMarkWords } from './NaturalMarkWords';
import { TouchPlate } from './TouchPlate';

interface NaturalMarksFieldProps {
  guide: Guide;
  taxon?: string;
  marks: readonly NaturalMark[];
  onChange: (marks: NaturalMark[]) => void;
}

/** Scars, notches, patterns: what it bears without a ring, where, in words and on a photo. */
export function NaturalMarksField({ guide, taxon, marks, onChange }: NaturalMarksFieldProps) {
  const [open, setOpen] = useState<NaturalMark>();
  const keep = (mark: NaturalMark) => {
    onChange([...marks.filter(({ id }) => id !== mark.id), mark]);
    setOpen(undefined);
  };
  return (
    <Stack gap="xs" align="start">
      <Text size="small" strong quiet>
        Natural marks
      </Text>
      {marks.map((mark) => (
        <Row key={mark.id} align="center" self="stretch" padTop="xs" ruled="above">
          <Box fill={180}>
            <NaturalMarkWords mark={mark} />
          </Box>
          <Button small kind="quiet" label="Change" hint={`Change: ${mark.words}`} onPress={() => setOpen(mark)} />
          <Button
            small
            kind="quiet"
            label="Remove"
            hint={`Remove: ${mark.words}`}
            onPress={() => onChange(marks.filter(({ id }) => id !== mark.id))}
          />
        </Row>
      ))}
      <Button small label="Add a natural mark" onPress={() => setOpen({ id: mintId(), kind: 'scar', words: '' })} />
      {open && (
        <MarkDialog
          mark={open}
          guide={guide}
          taxon={taxon}
          others={marks.flatMap(({ id, at }) => (at && id !== open.id ? [at] : []))}
          onKeep={keep}
          onClose={() => setOpen(undefined)}
        />
      )}
    </Stack>
  );
}

interface MarkDialogProps {
  mark: NaturalMark;
  guide: Guide;
  taxon?: string;
  others: readonly NonNullable<NaturalMark['at']>[];
  onKeep: (mark: NaturalMark) => void;
  onClose: () => void;
}

function MarkDialog({ mark: first, guide, taxon, others, onKeep, onClose }: MarkDialogProps) {
  const [mark, setMark] = useState(first);
  const [tried, setTried] = useState(false);
  const change = (part: Partial<NaturalMark>) => setMark((now) => ({ ...now, ...part }));
  const save = () => {
    setTried(true);
    if (mark.words.trim()) onKeep({ ...mark, words: mark.words.trim() });
  };
  return (
    <Dialog title="A natural mark" onClose={onClose} foot={<Button kind="main" label="Save the mark" onPress={save} />}>
      <Stack gap="m">
        <ChoiceGroup
          label="What it is"
          options={NATURAL_MARKS.map((id) => ({ id, label: NATURAL_MARK_WORDS[id] }))}
          chosen={[mark.kind]}
          onChange={([kind]) => change({ kind })}
        />
        <TextField
          label="In words"
          value={mark.words}
          onChangeText={(words) => change({ words })}
          maxLength={400}
          placeholder="deep notch, right of the middle toe"
          problem={tried && !mark.words.trim() ? 'Say what it looks like.' : undefined}
        />
        <TouchPlate guide={guide} taxon={taxon} at={mark.at} others={others} onTouch={(at) => change({ at })} />
        {mark.photo && <MarkPhoto mark={mark} />}
        <AddPhotos has={Boolean(mark.photo)} onPhoto={(photo) => change({ photo })} />
      </Stack>
    </Dialog>
  );
}
