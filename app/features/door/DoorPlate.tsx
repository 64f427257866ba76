import type { Traits } from '@plesion/core/plates';
import { use } from 'react';
import { Row } from '../../ui/Row';
import { PlateView } from '../plates/PlateView';
import { loadPlan, planOf } from '../records/plans';

/** Two terns that differ in three characters only: what Plesion is for, before a word is read. */
const TWO: Traits[] = [
  { 'bill-tip': 'dark', 'bill-ratio': 0.87, 'leg-ratio': 0.575, 'tail-reach': 'level' },
  { 'bill-tip': 'same', 'bill-ratio': 0.83, 'leg-ratio': 0.495, 'tail-reach': 'beyond', underparts: 'grey' },
];

const LABELS = ['A tern with a dark-tipped bill', 'A tern that looks almost the same'];

const loading = loadPlan('tern');

/** The plate at the door. */
export function DoorPlate() {
  use(loading);
  const plan = planOf({ plan: 'tern' })!;
  return (
    <Row justify="evenly" wide="all" padY="m" ruled="round" ruledIn="hairline" round="l" tone="paper" oneLine gap="none">
      {TWO.map((traits, i) => {
        const plate = plan.draw(traits, 'perched', 'full');
        return <PlateView key={LABELS[i]} plate={plate} width={156} height={84} label={LABELS[i]} />;
      })}
    </Row>
  );
}
