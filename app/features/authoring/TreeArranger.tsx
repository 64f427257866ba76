import {
  closestCenter,
  DndContext,
  type DragEndEvent,
  KeyboardSensor,
  PointerSensor,
  useDraggable,
  useDroppable,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { StyleSheet, View } from 'react-native';
import { colour } from '../../theme';
import { Button } from '../../ui/Button';
import { DragHandle } from '../../ui/DragHandle';
import { Card } from '../../ui/Card';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';
import { dropEdit, type Move, moveEdit, type TreeRow, treeRows } from './taxonTree';
import type { PartProps } from './WritingScreen';

/** A finger that moves less than this, in pixels, has not begun to drag; farther to the right it puts one under another. */
const BEGINS = 6;
const UNDER = 40;
const DEEPEST = 6;

const BUTTONS: [Move, string, string][] = [
  ['up', '↑', 'further up'],
  ['down', '↓', 'further down'],
  ['in', '→', 'under the one above'],
  ['out', '←', 'out, beside what it stands under'],
];

/** Taxa moved about: dragged by a handle behind another, or to its right to stand under it; or by buttons, a step at a time. */
export function TreeArranger({ draft, edit }: Pick<PartProps, 'draft' | 'edit'>) {
  const { taxa } = draft;
  const rows = treeRows(taxa);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: BEGINS } }), useSensor(KeyboardSensor));
  const named = (id: unknown) => taxa.find((one) => one.id === id)?.name ?? '';
  const dropped = ({ active, over, delta }: DragEndEvent) => {
    const [taxon, onto] = [active.id, over?.id].map((id) => taxa.find((one) => one.id === id));
    if (taxon && onto && taxon !== onto) edit(dropEdit(taxon, onto, delta.x > UNDER));
  };
  type Told = { active: { id: unknown }; over: { id: unknown } | null };
  const announcements = {
    onDragStart: ({ active }: Told) => `${named(active.id)} is taken up.`,
    onDragOver: ({ over }: Told) => (over ? `Behind ${named(over.id)}.` : 'Nowhere.'),
    onDragEnd: ({ active, over }: Told) => `${named(active.id)} is put down${over ? ` behind ${named(over.id)}` : ''}.`,
    onDragCancel: ({ active }: Told) => `${named(active.id)} stays where it was.`,
  };
  return (
    <Card title="How they stand" aside={`${taxa.length}`}>
      <Text quiet size="small">
        Drag one behind another, or farther to the right to put it under it; or move it by its arrows.
      </Text>
      <DndContext
        sensors={sensors}
        collisionDetection={closestCenter}
        onDragEnd={dropped}
        accessibility={{ announcements: announcements as never }}
      >
        {rows.map((row) => (
          <ArrangedRow
            key={row.taxon.id}
            row={row}
            canMove={(move) => moveEdit(taxa, row.taxon, move) !== undefined}
            onMove={(move) => {
              const change = moveEdit(taxa, row.taxon, move);
              if (change) edit(change);
            }}
          />
        ))}
      </DndContext>
    </Card>
  );
}

interface RowProps {
  row: TreeRow;
  canMove: (move: Move) => boolean;
  onMove: (move: Move) => void;
}

function ArrangedRow({ row: { taxon, depth }, canMove, onMove }: RowProps) {
  const drag = useDraggable({ id: taxon.id });
  const drop = useDroppable({ id: taxon.id });
  const { transform } = drag;
  const moved = transform ? { transform: `translate(${transform.x}px, ${transform.y}px)`, zIndex: 1, opacity: 0.85 } : {};
  return (
    <Row
      ref={(node) => {
        drag.setNodeRef(node as never);
        drop.setNodeRef(node as never);
      }}
      gap="xs"
      align="center"
      ruled="above"
      tone="sheet"
      style={[{ paddingLeft: 18 * Math.min(depth, DEEPEST) }, drop.isOver && styles.over, moved]}
    >
      <DragHandle of={taxon.name} activator={drag.setActivatorNodeRef} attributes={drag.attributes} listeners={drag.listeners} />
      <Text fill={120} strong={Boolean(taxon.forms)}>
        {taxon.name}
      </Text>
      <View style={styles.moves}>
        {BUTTONS.map(([move, label, where]) => (
          <Button
            key={move}
            small
            kind="quiet"
            label={label}
            hint={`${taxon.name} ${where}`}
            disabled={!canMove(move)}
            onPress={() => onMove(move)}
          />
        ))}
      </View>
    </Row>
  );
}

const styles = StyleSheet.create({
  over: { borderColor: colour.kelp, borderTopWidth: 2 },
  moves: { flexDirection: 'row', marginLeft: 'auto' },
});
