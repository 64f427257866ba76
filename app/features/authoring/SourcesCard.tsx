import { Suspense, useState } from 'react';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Disclosure } from '../../ui/Disclosure';
import { lazyPart } from '../../ui/lazyPart';
import { Loading } from '../../ui/states';
import { Text } from '../../ui/Text';
import { CommitField } from './CommitField';
import { Picker } from '../../ui/Picker';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { freshId } from './freshId';
import type { PartProps } from './WritingScreen';

/** Fetched when somebody brings literature. */
const Literature = lazyPart(
  () => import('./Literature'),
  (part) => part.Literature,
);

const KINDS: { id: PartProps['draft']['sources'][number]['kind']; label: string }[] = [
  { id: 'book', label: 'a book' },
  { id: 'paper', label: 'a paper' },
  { id: 'person', label: 'a person' },
  { id: 'records', label: 'records' },
];

/** Where what is written comes from: each score has its source. */
export function SourcesCard({ id, draft, edit }: Pick<PartProps, 'draft' | 'edit'> & { id: string }) {
  const [open, setOpen] = useState<string>();
  const add = () => {
    const id = freshId('source', draft.sources);
    edit({ do: 'source', source: { id, label: `Source ${draft.sources.length + 1}`, citation: '', kind: 'book' } });
    setOpen(id);
  };
  return (
    <Card title="Sources" aside={`${draft.sources.length}`}>
      {draft.sources.map((source) => (
        <Stack key={source.id} padY="xs" ruled="above">
          {open === source.id ? (
            <>
              <CommitField
                label="Short name"
                value={source.label}
                maxLength={200}
                onCommit={(label) => label.trim() && edit({ do: 'source', source: { ...source, label: label.trim() } })}
              />
              <CommitField
                label="Citation"
                value={source.citation}
                maxLength={4000}
                multiline
                onCommit={(citation) => edit({ do: 'source', source: { ...source, citation } })}
              />
              <ChoiceGroup
                label="It is"
                options={KINDS}
                chosen={[source.kind]}
                onChange={([kind]: (typeof source.kind)[]) => edit({ do: 'source', source: { ...source, kind } })}
              />
              <Row>
                <Button small label="Done" onPress={() => setOpen(undefined)} />
                {draft.sources.length > 1 && (
                  <Button
                    small
                    kind="quiet"
                    label="Remove"
                    hint={`Remove: ${source.label}, with what is scored by it`}
                    onPress={() => edit({ do: 'dropSource', id: source.id })}
                  />
                )}
              </Row>
            </>
          ) : (
            <Button
              kind="quiet"
              label={source.label}
              hint={`Change source: ${source.label}`}
              onPress={() => setOpen(source.id)}
            />
          )}
        </Stack>
      ))}
      <Row>
        <Button small label="Another source" onPress={add} />
      </Row>
      <Disclosure title="Literature in and out">
        <Suspense fallback={<Loading what="Literature" />}>
          <Literature id={id} sources={draft.sources} edit={edit} />
        </Suspense>
      </Disclosure>
      {draft.policy.kind === 'prefer' && draft.sources.length > 1 && (
        <>
          <Text size="small" strong quiet>
            Followed first, where they differ
          </Text>
          <Picker
            label="Followed first, where they differ"
            items={draft.sources.map(({ id, label }) => ({ id, label }))}
            chosen={draft.policy.order[0]}
            onChange={(first) =>
              draft.policy.kind === 'prefer' &&
              edit({
                do: 'part',
                set: { policy: { ...draft.policy, order: [first, ...draft.policy.order.filter((id) => id !== first)] } },
                drop: [],
              })
            }
          />
        </>
      )}
    </Card>
  );
}
