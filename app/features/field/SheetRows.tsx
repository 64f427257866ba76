import {
  closestCenter,
  DndContext,
  type DragEndEvent,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { SortableContext, sortableKeyboardCoordinates, useSortable, verticalListSortingStrategy } from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import type { SheetWrite } from '@plesion/contract';
import { Button } from '../../ui/Button';
import { DragHandle } from '../../ui/DragHandle';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';

type Fields = SheetWrite['fields'];

interface SheetRowsProps {
  fields: Fields;
  labelOf: (field: string) => string;
  onChange: (change: (fields: Fields) => Fields) => void;
}

/** A finger that moves less than this, in pixels, has not begun to drag. */
const BEGINS = 6;

/** A row lies where it was put down at once: while one still slides, the next touch would take up its neighbour. */
const atOnce = () => false;

/** Fields in their order: dragged by their handle, or moved by keys and buttons. */
export function SheetRows({ fields, labelOf, onChange }: SheetRowsProps) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: BEGINS } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const moveTo = (name: string, to: (i: number) => number) =>
    onChange((now) => {
      const i = now.findIndex(({ field }) => field === name);
      const rest = now.filter(({ field }) => field !== name);
      return i < 0 ? now : [...rest.slice(0, to(i)), now[i], ...rest.slice(to(i))];
    });
  const dropped = ({ active, over }: DragEndEvent) => {
    if (!over || active.id === over.id) return;
    const to = fields.findIndex(({ field }) => field === over.id);
    moveTo(String(active.id), () => to);
  };
  const at = (id: unknown) => `place ${fields.findIndex(({ field }) => field === id) + 1} of ${fields.length}`;
  const announcements = {
    onDragStart: ({ active }: { active: { id: unknown } }) => `${labelOf(String(active.id))} is taken up, ${at(active.id)}.`,
    // Over itself it is where it was taken up, which was said.
    onDragOver: ({ active, over }: { active: { id: unknown }; over: { id: unknown } | null }) =>
      over?.id === active.id ? undefined : `${labelOf(String(active.id))}: ${over ? at(over.id) : 'nowhere'}.`,
    onDragEnd: ({ active, over }: { active: { id: unknown }; over: { id: unknown } | null }) =>
      `${labelOf(String(active.id))} is put down, ${over ? at(over.id) : 'where it was'}.`,
    onDragCancel: ({ active }: { active: { id: unknown } }) => `${labelOf(String(active.id))} stays where it was.`,
  };
  return (
    <DndContext sensors={sensors} collisionDetection={closestCenter} onDragEnd={dropped} accessibility={{ announcements }}>
      <SortableContext items={fields.map(({ field }) => field)} strategy={verticalListSortingStrategy}>
        {fields.map(({ field, needed }, i) => (
          <SheetRow
            key={field}
            name={field}
            label={labelOf(field)}
            needed={needed}
            first={i === 0}
            last={i === fields.length - 1}
            onNeeded={(next) => onChange((now) => now.map((one) => (one.field === field ? { ...one, needed: next } : one)))}
            onMove={(by) => moveTo(field, (from) => from + by)}
            onLeave={() => onChange((now) => (now.length > 1 ? now.filter((one) => one.field !== field) : now))}
          />
        ))}
      </SortableContext>
    </DndContext>
  );
}

interface SheetRowProps {
  name: string;
  label: string;
  needed: boolean;
  first: boolean;
  last: boolean;
  onNeeded: (needed: boolean) => void;
  onMove: (by: number) => void;
  onLeave: () => void;
}

function SheetRow({ name, label, needed, first, last, onNeeded, onMove, onLeave }: SheetRowProps) {
  const { setNodeRef, setActivatorNodeRef, attributes, listeners, transform, transition, isDragging } = useSortable({
    id: name,
    animateLayoutChanges: atOnce,
  });
  const style = { transform: CSS.Translate.toString(transform), transition, ...(isDragging ? { zIndex: 1, opacity: 0.85 } : {}) };
  return (
    <Row ref={setNodeRef as never} align="center" padY="xs" ruled="above" round="s" tone="sheet" style={style}>
      <DragHandle of={label} activator={setActivatorNodeRef} attributes={attributes} listeners={listeners} />
      <Text fill least={120}>
        {label}
      </Text>
      <ChoiceGroup
        label={`${label}: may it stay empty?`}
        hideLabel
        options={[
          { id: 'needed', label: 'needed' },
          { id: 'free', label: 'may stay empty' },
        ]}
        chosen={[needed ? 'needed' : 'free']}
        onChange={([next]) => onNeeded(next === 'needed')}
      />
      <Row gap="xs">
        <Button small kind="quiet" label="↑" hint={`${label} further up`} disabled={first} onPress={() => onMove(-1)} />
        <Button small kind="quiet" label="↓" hint={`${label} further down`} disabled={last} onPress={() => onMove(1)} />
        <Button small kind="quiet" label="Remove" hint={`Remove ${label}`} disabled={first && last} onPress={onLeave} />
      </Row>
    </Row>
  );
}
