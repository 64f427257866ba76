import type { ReactNode } from 'react';
import { Button } from '../../ui/Button';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Row } from '../../ui/Row';
import type { Step } from './steps';
import { redo, type Table, undo } from './table';

interface TableToolsProps {
  steps: readonly Step[];
  table: Table;
  onTable: (next: (table: Table) => Table) => void;
  /** Does one finger move the photo, instead of setting points? */
  panning: boolean;
  onPanning: (panning: boolean) => void;
  children?: ReactNode;
}

/** What is done with the table as a whole: back and forth, and what one finger does. */
export function TableTools({ steps, table, onTable, panning, onPanning, children }: TableToolsProps) {
  return (
    <Row align="center">
      <Button small label="Undo" disabled={table.past.length === 0} onPress={() => onTable((so) => undo(so, steps))} />
      <Button small label="Redo" disabled={table.future.length === 0} onPress={() => onTable((so) => redo(so, steps))} />
      <ChoiceGroup
        label="One finger"
        hideLabel
        options={[
          { id: 'set', label: 'Set points' },
          { id: 'pan', label: 'Move photo' },
        ]}
        chosen={[panning ? 'pan' : 'set']}
        onChange={([chosen]) => onPanning(chosen === 'pan')}
      />
      {children}
    </Row>
  );
}
