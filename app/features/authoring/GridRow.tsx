import type { DraftCharacter } from '@plesion/core/authoring';
import { shortName } from '@plesion/core/guide';
import { StyleSheet } from 'react-native';
import { colour } from '../../theme';
import { Box } from '../../ui/Box';
import { PressBox } from '../../ui/PressBox';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';
import { type GridCell, taxonShare } from './grid';
import type { TreeRow } from './taxonTree';

interface Props {
  row: TreeRow;
  r: number;
  /** The place of the first of the columns among all characters. */
  from: number;
  columns: readonly DraftCharacter[];
  cellOf: (taxon: TreeRow['taxon'], character: DraftCharacter) => GridCell;
  /** The column that is chosen, where it is in this row. */
  active?: number;
  height: number;
  idOf: (r: number, c: number) => string;
  onPick: (c: number) => void;
}

/** One taxon of the grid, with as many characters as have room. */
export const GridRow = ({ row: { taxon, depth }, r, from, columns, cellOf, active, height, idOf, onPick }: Props) => (
  <Row role="row" aria-rowindex={r + 2} ruled="below" oneLine="always" gap="none" style={{ height }}>
    <Box role="rowheader" justify="center" share={taxonShare(columns.length)} least={0} padX="s">
      <Text
        size="small"
        strong={Boolean(taxon.forms)}
        numberOfLines={2}
        aria-label={taxon.name}
        style={{ marginLeft: 10 * Math.min(depth, 4) }}
      >
        {depth > 0 ? shortName(taxon.name) : taxon.name}
      </Text>
    </Box>
    {columns.map((character, i) => {
      const c = from + i;
      const { text, from: above, more, was } = cellOf(taxon, character);
      const said = [text, more ? `+${more}` : ''].filter(Boolean).join(' ');
      return (
        <PressBox
          key={character.id}
          nativeID={idOf(r, c)}
          role={'gridcell' as 'cell'}
          aria-colindex={c + 2}
          aria-selected={active === c}
          accessibilityLabel={was === undefined ? undefined : `${said || 'empty'}, was ${was || 'empty'}`}
          tabIndex={-1}
          onPress={() => onPick(c)}
          justify="center"
          fill
          least={0}
          padX="s"
          ruled="left"
          style={[was !== undefined && styles.changed, active === c && styles.active]}
        >
          <Text size="small" numberOfLines={2} quiet={above !== undefined}>
            {said}
          </Text>
        </PressBox>
      );
    })}
  </Row>
);

const styles = StyleSheet.create({
  changed: { borderLeftWidth: 4, borderColor: colour.kelp },
  active: { borderWidth: 2, borderColor: colour.kelp },
});
