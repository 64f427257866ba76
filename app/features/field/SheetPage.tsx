import type { SheetWrite } from '@plesion/contract';
import { AGE_FAMILIES, SHEET_FIELDS, type SheetField } from '@plesion/core/fieldwork';
import { StyleSheet, View } from 'react-native';
import { v7 as mintId } from 'uuid';
import { colour, radius, space } from '../../theme';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { PageHeading } from '../../ui/PageHeading';
import { Screen } from '../../ui/Screen';
import { Text } from '../../ui/Text';
import { sheetDrafts } from '../records/fieldDrafts';
import { useSession } from '../session/useSession';
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
  const write = (part: Partial<Pick<SheetWrite, 'fields' | 'family'>>) => {
    if (stored) sheetDrafts.draftOf(station, stored.id, stored)?.change((now) => ({ ...now, ...part }));
    else sheetDrafts.startDraft(station, mintId(), { version: 0, hidden: false, ...field.sheet, ...part });
  };
  const move = (i: number, by: number) => {
    const next = [...fields];
    const [one] = next.splice(i, 1);
    next.splice(i + by, 0, one);
    write({ fields: next });
  };
  const rest = [...SHEET_FIELDS.map((id) => ({ id, label: WORDS[id] })), ...measured].filter(
    ({ id }) => !fields.some((one) => one.field === id),
  );
  return (
    <Screen widest={720}>
      <PageHeading>The catch sheet</PageHeading>
      <Card title="Asked, in this order">
        {fields.map(({ field: name, needed }, i) => (
          <View key={name} style={styles.row}>
            <Text style={styles.grow}>{labelOf(name)}</Text>
            <ChoiceGroup
              label={`${labelOf(name)}: may it stay empty?`}
              hideLabel
              options={[
                { id: 'needed', label: 'needed' },
                { id: 'free', label: 'may stay empty' },
              ]}
              chosen={[needed ? 'needed' : 'free']}
              onChange={([next]) =>
                write({ fields: fields.map((one, k) => (k === i ? { ...one, needed: next === 'needed' } : one)) })
              }
            />
            <View style={styles.moves}>
              <Button
                small
                kind="quiet"
                label="↑"
                hint={`${labelOf(name)} further up`}
                disabled={i === 0}
                onPress={() => move(i, -1)}
              />
              <Button
                small
                kind="quiet"
                label="↓"
                hint={`${labelOf(name)} further down`}
                disabled={i === fields.length - 1}
                onPress={() => move(i, 1)}
              />
              <Button
                small
                kind="quiet"
                label="Leave out"
                hint={`Leave out ${labelOf(name)}`}
                disabled={fields.length === 1}
                onPress={() => write({ fields: fields.filter((_, k) => k !== i) })}
              />
            </View>
          </View>
        ))}
      </Card>
      <Card title="Ask also">
        <View style={styles.moves}>
          {rest.map(({ id, label }) => (
            <Button
              key={id}
              small
              label={label}
              hint={`Ask also: ${label}`}
              onPress={() => write({ fields: [...fields, { field: id, needed: false }] })}
            />
          ))}
        </View>
      </Card>
      <Card title="Codes of age">
        <ChoiceGroup
          label="Family"
          hideLabel
          options={field.families.map(({ id, label }) => ({ id, label }))}
          chosen={[family]}
          onChange={([next]) => write({ family: next })}
        />
        {(field.families.find(({ id }) => id === family) ?? AGE_FAMILIES[0]).codes.map(({ code, label }) => (
          <Text key={code} size="small">{`${code}: ${label}`}</Text>
        ))}
        <Text size="small" quiet>
          {`They turn over on ${(field.families.find(({ id }) => id === family) ?? AGE_FAMILIES[0]).reference.split('-').reverse().join('.')}.`}
        </Text>
      </Card>
    </Screen>
  );
}

const styles = StyleSheet.create({
  row: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'center',
    gap: space.s,
    borderTopWidth: 1,
    borderColor: colour.mist,
    paddingVertical: space.xs,
    borderRadius: radius.s,
  },
  grow: { flex: 1, minWidth: 120 },
  moves: { flexDirection: 'row', flexWrap: 'wrap', gap: space.xs },
});
