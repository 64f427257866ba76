import { NAME_KINDS, type Taxon } from '@plesion/core/guide';
import { omit } from '../../lib/omit';
import { Button } from '../../ui/Button';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { CommitField } from './CommitField';

type OtherName = NonNullable<Taxon['names']>[number];
const WORDS: Record<OtherName['kind'], string> = {
  former: 'was called so',
  nickname: 'is called so here and there',
  misleading: 'misleads: it is called so wrongly',
};

/** Other names by which people look for a taxon: former ones, nicknames, and those that mislead. */
export function TaxonNames({ taxon, put }: { taxon: Taxon; put: (next: Taxon) => void }) {
  const names = taxon.names ?? [];
  const change = (next: OtherName[]) => put(next.length ? { ...taxon, names: next } : (omit(taxon, 'names') as Taxon));
  const set = (i: number, more: Partial<OtherName>) => change(names.with(i, { ...names[i], ...more }));
  return (
    <>
      {names.map((other, i) => (
        <Stack key={`${i} ${other.name}`}>
          <CommitField
            label={`Other name: ${other.name}`}
            value={other.name}
            maxLength={200}
            onCommit={(name) => name.trim() && set(i, { name: name.trim() })}
          />
          <ChoiceGroup
            label={`It ${other.kind === 'misleading' ? 'misleads' : 'is another name'}: ${other.name}`}
            hideLabel
            options={NAME_KINDS.map((id) => ({ id, label: WORDS[id] }))}
            chosen={[other.kind]}
            onChange={([kind]: OtherName['kind'][]) => set(i, { kind })}
          />
          <CommitField
            label={`Why, and since when: ${other.name}`}
            value={other.note ?? ''}
            maxLength={4000}
            onCommit={(note) => change(names.with(i, note.trim() ? { ...other, note: note.trim() } : omitNote(other)))}
          />
          <Row>
            <Button
              small
              kind="quiet"
              label="Remove this name"
              hint={`Remove this name: ${other.name}`}
              onPress={() => change(names.toSpliced(i, 1))}
            />
          </Row>
        </Stack>
      ))}
      <CommitField
        label="Another name it goes by"
        hint="People find it by that name as well, and are told which it is now."
        value=""
        maxLength={200}
        onCommit={(name) => name.trim() && change([...names, { name: name.trim(), kind: 'former' }])}
      />
    </>
  );
}

const omitNote = (name: OtherName): OtherName => omit(name, 'note');
