import { FACETS, type Guide } from '@plesion/core/guide';
import { FacetName } from '@plesion/core/guide/schema';
import { useState } from 'react';
import { z } from 'zod';
import { useKeptState } from '../../lib/useKeptState';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
import { FacetChoices } from './FacetChoices';
import { freshId } from './freshId';
import type { PartProps } from './WritingScreen';

type Union = NonNullable<Guide['unions']>[number];
type Piece = Union['of'][number];

/** As it is put together; kept over a reload. */
const Typed = z.object({
  open: z.boolean(),
  label: z.string(),
  of: z.array(z.partialRecord(FacetName, z.array(z.string()))),
});
type Typed = z.output<typeof Typed>;
const NOTHING: Typed = { open: false, label: '', of: [{}, {}] };

/** What is called together where it cannot be parted: `female or young of either sex`. */
export function UnionsCard({ id, draft, edit }: Pick<PartProps, 'draft' | 'edit'> & { id: string }) {
  const unions = draft.unions ?? [];
  const [typed, change] = useKeptState(`union.${id}`, Typed, NOTHING);
  const close = () => change(NOTHING);
  if (Object.keys(draft.facets).length === 0) return null;
  const keep = (next: Union[]) =>
    edit({ do: 'part', set: next.length ? { unions: next } : {}, drop: next.length ? [] : ['unions'] });
  return (
    <Card title="Called together" aside={unions.length ? `${unions.length}` : undefined}>
      <Text quiet>
        Where the kind is sure and its sex or age is not, a name may still say so much, such as “female or young”.
      </Text>
      {unions.map((union) => (
        <Row key={union.id} align="center">
          <Box fill={220}>
            <Text strong>{union.label}</Text>
            <Text size="small" quiet>
              {union.of.map((piece) => sayPiece(draft, piece)).join(' or ')}
            </Text>
          </Box>
          <Button
            small
            kind="quiet"
            label="Remove"
            hint={`Remove: ${union.label}`}
            onPress={() => keep(unions.filter((one) => one !== union))}
          />
        </Row>
      ))}
      {typed.open ? (
        <UnionForm
          draft={draft}
          typed={typed}
          change={change}
          onAdd={(label, of) => {
            keep([...unions, { id: freshId(label, unions), label, of }]);
            close();
          }}
          onClose={close}
        />
      ) : (
        <Row align="center">
          <Button label="Call some together" onPress={() => change({ ...NOTHING, open: true })} />
        </Row>
      )}
    </Card>
  );
}

const sayPiece = ({ facets }: Pick<Guide, 'facets'>, piece: Piece): string =>
  FACETS.flatMap((facet) =>
    piece[facet] ? [piece[facet].map((id) => facets[facet]?.find((one) => one.id === id)?.label ?? id).join('/')] : [],
  ).join(' ');

interface FormProps {
  draft: PartProps['draft'];
  typed: Typed;
  change: (part: Partial<Typed>) => void;
  onAdd: (label: string, of: Piece[]) => void;
  onClose: () => void;
}

function UnionForm({ draft, typed: { label, of }, change, onAdd, onClose }: FormProps) {
  const [problem, setProblem] = useState<string>();
  const add = () => {
    if (!label.trim()) return setProblem('Say what they are called together.');
    if (of.some((piece) => Object.keys(piece).length === 0)) return setProblem('Say of each what it is.');
    onAdd(label.trim(), of);
  };
  return (
    <Stack>
      <TextField
        label="What they are called together"
        value={label}
        maxLength={200}
        onChangeText={(text) => change({ label: text })}
      />
      {of.map((piece, i) => (
        <Stack key={i} role="group" aria-label={i === 0 ? 'Either' : `Or, ${i}`}>
          <Text strong>{i === 0 ? 'Either' : 'Or'}</Text>
          <FacetChoices
            facets={draft.facets}
            chosen={piece}
            onChange={(next) => change({ of: of.map((one, k) => (k === i ? next : one)) })}
          />
        </Stack>
      ))}
      {problem && <Text role="alert">{problem}</Text>}
      <Row align="center">
        <Button kind="main" label="Add it" hint="Add what they are called together" onPress={add} />
        <Button label="One more" hint="One more of them" onPress={() => change({ of: [...of, {}] })} />
        <Button kind="quiet" label="Cancel" onPress={onClose} />
      </Row>
    </Stack>
  );
}
