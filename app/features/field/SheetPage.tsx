import { SHEET_FIELDS, type SheetField } from '@plesion/core/fieldwork';
import { useState } from 'react';
import { v7 as mintId } from 'uuid';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { PageHeading } from '../../ui/PageHeading';
import { Row } from '../../ui/Row';
import { Screen } from '../../ui/Screen';
import { sheetDrafts } from '../records/fieldDrafts';
import { useSession } from '../session/useSession';
import { AgeFamilies } from './AgeFamilies';
import { SheetRows } from './SheetRows';
import { useCatchGuide } from './useCatchGuide';
import { type Field, useField } from './useField';

const WORDS: Record<SheetField, string> = {
  kind: 'Kind',
  age: 'Age',
  sex: 'Sex',
  sexBy: 'Sex told by',
  condition: 'Condition',
  mass: 'Weight',
  naturalMarks: 'Natural marks',
  parents: 'Parents and brood',
  position: 'Position',
  release: 'Release',
  photo: 'Photo',
  note: 'Note',
};

/** What the station asks of a catch, in which order, and what may stay empty. */
export function SheetPage() {
  const { field, error, refetch } = useField();
  const guide = useCatchGuide(undefined);
  return (
    <AsyncScreen
      what="The sheet"
      value={field && guide.stored ? { field, guide: guide.stored.guide } : undefined}
      error={error ?? (guide.stored ? undefined : guide.error)}
      retry={() => (refetch(), guide.retry())}
    >
      {({ field: now, guide: own }) => (
        <Sheet
          field={now}
          measured={own.characters
            .filter(({ views, handling }) => views.includes('hand') || handling !== 'look')
            .map(({ id, label }) => ({ id: `reading:${id}`, label }))}
        />
      )}
    </AsyncScreen>
  );
}

function Sheet({ field, measured }: { field: Field; measured: { id: string; label: string }[] }) {
  const station = useSession().station.id;
  const [stored] = field.view.sheets;
  const { fields, family } = field.sheet;
  const labelOf = (name: string) =>
    WORDS[name as SheetField] ?? measured.find(({ id }) => id === name)?.label ?? name.replace('reading:', '');
  const [fresh] = useState(() => mintId());
  /** On top of what stands there when it is written: two presses in a row are two changes. */
  const write = (change: (now: Field['sheet']) => Partial<Field['sheet']>) => {
    const id = stored?.id ?? fresh;
    const draft = sheetDrafts.draftOf(station, id, stored);
    if (draft) draft.change((now) => ({ ...now, ...change(now) }));
    else sheetDrafts.startDraft(station, id, { version: 0, hidden: false, ...field.sheet, ...change(field.sheet) });
  };
  const rest = [...SHEET_FIELDS.map((id) => ({ id, label: WORDS[id] })), ...measured].filter(
    ({ id }) => !fields.some((one) => one.field === id),
  );
  return (
    <Screen widest={720}>
      <PageHeading>The catch sheet</PageHeading>
      <Card title="Asked, in this order">
        <SheetRows fields={fields} labelOf={labelOf} onChange={(change) => write((now) => ({ fields: change(now.fields) }))} />
      </Card>
      <Card title="Ask also">
        <Row gap="xs">
          {rest.map(({ id, label }) => (
            <Button
              key={id}
              small
              label={label}
              hint={`Ask also: ${label}`}
              onPress={() =>
                write((now) => ({
                  fields: now.fields.some((one) => one.field === id) ? now.fields : [...now.fields, { field: id, needed: false }],
                }))
              }
            />
          ))}
        </Row>
      </Card>
      <AgeFamilies families={field.families} family={family} onChange={write} />
    </Screen>
  );
}
