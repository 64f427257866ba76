import type { Guide } from '@plesion/core/guide';
import type { Item } from '@plesion/core/practice';
import type { ReactNode } from 'react';
import { Box } from '../../ui/Box';
import { Row } from '../../ui/Row';
import { overPlate } from '../plates/plates';
import { PlateView } from '../plates/PlateView';
import { itemPlate } from '../practice/itemPlate';

const WIDE = 150;
const TALL = 110;

/** An item of a set, drawn small, with what is said of it beside. */
export function ItemRow({ guide, item, children }: { guide: Guide; item: Item; children: ReactNode }) {
  const plate = itemPlate(guide, item);
  return (
    <Row gap="m" align="center" padY="s" ruled="above">
      <Box align="center" wide={WIDE}>
        <PlateView plate={plate} {...overPlate(plate, WIDE, TALL)} />
      </Box>
      <Box fill={180}>{children}</Box>
    </Row>
  );
}
