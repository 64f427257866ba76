import type { Guide } from '@plesion/core/guide';
import { type Destination, type Key, type Lead, setDestination, taxonNamed } from '@plesion/core/keys';
import { useState } from 'react';
import { Box } from '../../../ui/Box';
import { Button } from '../../../ui/Button';
import { ChoiceGroup } from '../../../ui/ChoiceGroup';
import { Row } from '../../../ui/Row';
import { Stack } from '../../../ui/Stack';
import { TextField } from '../../../ui/TextField';
import { Text } from '../../../ui/Text';

interface DestinationEditorProps {
  keyed: Key;
  couplet: string;
  lead: Lead;
  guide?: Guide;
  onChange: (change: (key: Key) => Key) => void;
  onNew: () => void;
}

const KINDS: { id: Destination['kind']; label: string }[] = [
  { id: 'couplet', label: 'a couplet' },
  { id: 'taxon', label: 'a name' },
  { id: 'key', label: 'another key' },
  { id: 'open', label: 'nowhere yet' },
];

/** Where a lead goes on. */
export function DestinationEditor({ keyed, couplet, lead, guide, onChange, onNew }: DestinationEditorProps) {
  const { to } = lead;
  const [kind, setKind] = useState<Destination['kind']>(to.kind);
  const [text, setText] = useState(textOf(keyed, to));
  const put = (next: Destination) => onChange((key) => setDestination(key, couplet, lead.id, next));
  const give = (next: string) => {
    setText(next);
    if (kind === 'taxon' && next.trim()) put(named(next.trim(), guide));
    if (kind === 'key' && next.trim()) put({ kind: 'key', title: next.trim() });
    const found = kind === 'couplet' && keyed.couplets.find(({ number }) => number === next.trim());
    if (found) put({ kind: 'couplet', couplet: found.id });
  };
  const unknownNumber = kind === 'couplet' && text.trim() && !keyed.couplets.some(({ number }) => number === text.trim());
  const unknownName = kind === 'taxon' && text.trim() && guide && !taxonNamed(guide, text.trim());
  return (
    <Stack>
      <ChoiceGroup
        label="leads to"
        options={KINDS}
        chosen={[kind]}
        onChange={([next]) => {
          setKind(next);
          setText('');
          if (next === 'open') put({ kind: 'open' });
        }}
      />
      {kind !== 'open' && (
        <Row align="end" oneLine>
          <Box fill>
            <TextField
              label={{ couplet: 'Number of the couplet', taxon: 'Name', key: 'Key to', open: '' }[kind]}
              value={text}
              maxLength={200}
              onChangeText={give}
              problem={unknownNumber ? `There is no couplet ${text.trim()} yet.` : undefined}
            />
          </Box>
          {kind === 'couplet' && <Button small label="A new couplet" onPress={onNew} />}
        </Row>
      )}
      {unknownName && (
        <Text size="small" quiet>
          The guide does not know this name; nothing can be checked at this ending.
        </Text>
      )}
    </Stack>
  );
}

function textOf(keyed: Key, to: Destination): string {
  if (to.kind === 'couplet') return keyed.couplets.find(({ id }) => id === to.couplet)?.number ?? '';
  return to.kind === 'taxon' ? to.name : to.kind === 'key' ? to.title : '';
}

function named(name: string, guide: Guide | undefined): Destination {
  const taxon = guide && taxonNamed(guide, name);
  return { kind: 'taxon', name, ...(taxon ? { taxon: taxon.id } : {}) };
}
