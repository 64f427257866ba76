import type { GuideRow } from '@plesion/contract';
import { colour } from '../../theme';
import { Box } from '../../ui/Box';
import { Picker } from '../../ui/Picker';
import { Text } from '../../ui/Text';
import { WithdrawnNotice } from '../sharing/WithdrawnNotice';
import { GuideFigure } from './GuideFigure';

interface GuidePickProps {
  rows: readonly GuideRow[];
  /** A guide's id, or `NO_GUIDE`. */
  chosen?: string;
  onChange: (id: string) => void;
  /** May one do without, naming by a key alone or by hand? */
  without?: boolean;
}

/** Stands for doing without a guide. */
export const NO_GUIDE = 'none';

/** Which guide: each by a drawing of what it is about; of many, those that are called so. */
export function GuidePick({ rows, chosen, onChange, without }: GuidePickProps) {
  const guides = rows.map(({ id, title, group, area }) => ({ id, label: title, words: `${group} ${area}` }));
  const items = without ? [...guides, { id: NO_GUIDE, label: 'No guide: named by a key alone, or by hand' }] : guides;
  return (
    <>
      <Picker
        label="Guide"
        items={items}
        chosen={chosen}
        onChange={onChange}
        tile={{ fill: 98, most: 160, leastTall: 96, align: 'center', justify: 'between', pad: 's', tone: 'paper' }}
        draw={({ id }, on) =>
          id === NO_GUIDE ? (
            <>
              <Box wide={76} ruled="round" ruledIn="unknown" dashed tall={52} round="m" />
              <TileName on={on}>no guide</TileName>
            </>
          ) : (
            <>
              <GuideFigure id={id} width={88} height={60} none="by words" />
              <TileName on={on}>{rows.find((row) => row.id === id)!.group.replace(/\s*\(.*\)$/, '')}</TileName>
            </>
          )
        }
      />
      <WithdrawnNotice guideId={chosen} />
    </>
  );
}

const TileName = ({ on, children }: { on: boolean; children: string }) => (
  <Text size="small" strong={on} color={on ? colour.kelp : colour.ink} numberOfLines={3} set="centre">
    {children}
  </Text>
);
