import type { DraftCharacter } from '@plesion/core/authoring';
import { useEffect, useRef, useState } from 'react';
import { ScrollView, useWindowDimensions, View } from 'react-native';
import { TOUCH, useWide } from '../../theme';
import { useLetterScale } from '../../theme/appearance';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { blockOf, columnsFor, type GridCell, taxonShare, type Typed } from './grid';
import { CellEditor } from './CellEditor';
import { GridRow } from './GridRow';
import { useHalfTyped, useOnLeaving } from './useHalfTyped';
import { useSliding } from './useSliding';
import type { TreeRow } from './taxonTree';
import type { PartProps } from './WritingScreen';

interface Props {
  /** Of what it speaks: what is half typed is kept by it. */
  name: string;
  rows: readonly TreeRow[];
  characters: readonly DraftCharacter[];
  cellOf: (taxon: TreeRow['taxon'], character: DraftCharacter) => GridCell;
  /** False where something of it was not taken. */
  onWrite: (cells: readonly Typed[]) => boolean;
  /** The cell to begin at: the first of a taxon or of a character where only one is said. */
  sought?: PartProps['sought'];
}

/** Rows drawn above and below those in sight. */
const BEYOND = 6;
const TALLEST = 460;
const LOWEST = 220;
/** What stands around the rows and is to be in sight with them: the parts above, the cell that is written. */
const AROUND = 520;

const STEPS: Record<string, [number, number]> = {
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
};

interface Key {
  key: string;
  ctrlKey: boolean;
  metaKey: boolean;
  altKey: boolean;
  shiftKey: boolean;
  preventDefault(): void;
}

/** Row and column of what is sought: of a character alone, at the first that is told apart; what is not among them is the first. */
function cellAt(sought: Props['sought'], rows: Props['rows'], characters: Props['characters']): [number, number] {
  const row = rows.findIndex(({ taxon }) => (sought?.taxon ? taxon.id === sought.taxon : sought && taxon.forms));
  const column = characters.findIndex(({ id }) => id === sought?.character);
  return [Math.max(0, row), Math.max(0, column)];
}

/** Until it is measured: how wide the page is at most, and how much of the window stands beside it. */
const WIDEST = 1130;
const BESIDE = 260;

/**
 * Taxa against characters with the keys of a spreadsheet: arrows move, typing or Enter writes, Tab goes on, Delete
 * empties, a block is pasted. Only the rows in sight and as many characters as have room are drawn, however many there
 * are; one goes on to the next characters by the arrows, the
 * buttons, a wheel or a finger.
 */
export function ScoreGrid({ name, rows, characters, cellOf, onWrite, sought }: Props) {
  const wide = useWide();
  const scale = useLetterScale();
  const height = Math.max(LOWEST, Math.min(TALLEST, useWindowDimensions().height - AROUND));
  const half = useHalfTyped(name, rows, characters);
  const [begin] = useState(() => half.begun ?? cellAt(sought, rows, characters));
  const [at, setAt] = useState(begin);
  const [first, setFirst] = useState(begin[1]);
  const [top, setTop] = useState(0);
  const grid = useRef<View>(null);
  const scroller = useRef<ScrollView>(null);
  const high = Math.round(TOUCH * Math.max(1, scale));
  const window = useWindowDimensions().width;
  const [measured, setMeasured] = useState<number>();
  const width = measured ?? (wide ? Math.min(WIDEST, window - BESIDE) : window);
  const shown = Math.min(characters.length, columnsFor(width, scale));
  const [row, column] = [Math.min(at[0], rows.length - 1), Math.min(at[1], characters.length - 1)];
  const from = Math.max(0, Math.min(first, characters.length - shown));
  const within = (c: number) => Math.max(0, Math.min(characters.length - shown, c));
  const columns = characters.slice(from, from + shown);
  const sliding = useSliding(width / (shown + 1), (steps) => setFirst(within(from + steps)));
  const firstRow = Math.max(0, Math.floor(top / high) - BEYOND);
  const lastRow = Math.min(rows.length, Math.ceil((top + height) / high) + BEYOND);
  const taxon = rows[row].taxon;
  const character = characters[column];
  const typing = half.text;
  const setTyping = (text: string | undefined) => half.type(text, taxon.id, character.id);

  const go = (r: number, c: number) => {
    const [nextRow, nextColumn] = [Math.max(0, Math.min(rows.length - 1, r)), Math.max(0, Math.min(characters.length - 1, c))];
    setAt([nextRow, nextColumn]);
    if (nextColumn < from) setFirst(nextColumn);
    else if (nextColumn >= from + shown) setFirst(nextColumn - shown + 1);
    const y = nextRow * high;
    if (y < top) scroller.current?.scrollTo({ y, animated: false });
    else if (y + high > top + height - high) scroller.current?.scrollTo({ y: y + 2 * high - height, animated: false });
  };
  const focus = () => (grid.current as unknown as HTMLElement | null)?.focus?.();
  const write = (text: string) => onWrite([{ taxon, character, text }]);
  /** Takes what is typed; false where it was refused, and stands there yet. */
  const settle = (): boolean => {
    const text = half.now();
    if (text === undefined) return true;
    // What is as it was is not written again: not all that can be shown can be typed.
    if (text !== cellOf(taxon, character).text && !write(text)) return false;
    setTyping(undefined);
    return true;
  };
  const commitAt = (r: number, c: number) => {
    if (!settle()) return;
    go(r, c);
    focus();
  };
  const drop = () => {
    setTyping(undefined);
    focus();
  };
  useOnLeaving(settle);
  const paste = (text: string) => {
    const cells = blockOf(text).flatMap((line, r) =>
      line.flatMap((cell, c): Typed[] => {
        const [to, by] = [rows[row + r]?.taxon, characters[column + c]];
        return to && by ? [{ taxon: to, character: by, text: cell }] : [];
      }),
    );
    onWrite(cells);
  };
  const fill = () => {
    const { text } = cellOf(taxon, character);
    onWrite(
      rows.flatMap(({ taxon: other }) =>
        other.forms && cellOf(other, character).text === '' ? [{ taxon: other, character, text }] : [],
      ),
    );
  };
  // Once, when it is put up: what was being typed, or is sought, is brought into sight.
  const toBegin = useRef(() => go(...begin));
  useEffect(() => toBegin.current(), []);
  const pasted = useRef(paste);
  useEffect(() => {
    pasted.current = paste;
  });
  useEffect(() => {
    const element = grid.current as unknown as HTMLElement | null;
    if (!element?.addEventListener) return;
    const take = (event: ClipboardEvent) => {
      if (event.target !== element) return;
      event.preventDefault();
      pasted.current(event.clipboardData?.getData('text/plain') ?? '');
    };
    element.addEventListener('paste', take);
    return () => element.removeEventListener('paste', take);
  }, []);
  const press = (event: Key) => {
    const by = STEPS[event.key];
    const chorded = event.ctrlKey || event.metaKey || event.altKey;
    if (by && !chorded) go(row + by[0], column + by[1]);
    else if (event.key === 'Home') go(event.ctrlKey ? 0 : row, 0);
    else if (event.key === 'End') go(event.ctrlKey ? rows.length - 1 : row, characters.length - 1);
    else if (event.key === 'PageDown') go(row + 8, column);
    else if (event.key === 'PageUp') go(row - 8, column);
    else if (event.key === 'Enter' || event.key === 'F2') setTyping(cellOf(taxon, character).text);
    else if (event.key === 'Delete' || event.key === 'Backspace') write('');
    else if (event.key.length === 1 && !chorded) setTyping(event.key);
    else return;
    event.preventDefault();
  };
  const id = (r: number, c: number) => `cell-${r}-${c}`;
  const here = cellOf(taxon, character);
  // Beside the thumb that chose the cell; where there is room, below what is written.
  const editor = (
    <CellEditor
      taxon={taxon}
      character={character}
      cell={here}
      typing={typing}
      asked={half.here}
      onType={setTyping}
      onTake={(r, c) => commitAt(row + r, column + c)}
      onDrop={drop}
      onFill={fill}
    />
  );
  return (
    <Stack gap="m">
      {!wide && editor}
      <Row align="center">
        <Text size="small" quiet fill={110}>
          {`Characters ${from + 1} to ${from + columns.length} of ${characters.length}`}
        </Text>
        <Button small label="Those before" disabled={from === 0} onPress={() => setFirst(within(from - shown))} />
        <Button small label="Those after" disabled={from + shown >= characters.length} onPress={() => setFirst(from + shown)} />
      </Row>
      <Box
        ref={grid}
        onLayout={({ nativeEvent }) => setMeasured(nativeEvent.layout.width)}
        {...sliding}
        role="grid"
        tabIndex={0}
        aria-label="Taxa against characters"
        aria-rowcount={rows.length + 1}
        aria-colcount={characters.length + 1}
        {...({ onKeyDown: typing === undefined ? press : undefined, 'aria-activedescendant': id(row, column) } as object)}
        ruled="round"
        clip
        round="m"
        tone="sheet"
      >
        <Row role="row" ruled="below" oneLine="always" gap="none" style={{ minHeight: high }}>
          <Box role="columnheader" justify="center" share={taxonShare(shown)} least={0} pad="xs">
            <Text size="small" strong quiet>
              Taxon
            </Text>
          </Box>
          {columns.map((one, c) => (
            <Box
              key={one.id}
              role="columnheader"
              aria-colindex={from + c + 2}
              justify="center"
              fill
              least={0}
              pad="xs"
              ruled="left"
            >
              <Text size="small" strong>
                {one.label}
                {one.unit ? `, ${one.unit}` : ''}
              </Text>
            </Box>
          ))}
        </Row>
        <ScrollView
          ref={scroller}
          role="rowgroup"
          style={{ height: Math.min(height, rows.length * high + 2) }}
          scrollEventThrottle={16}
          onScroll={({ nativeEvent }) => setTop(nativeEvent.contentOffset.y)}
          {...({ tabIndex: -1 } as object)}
        >
          <View style={{ height: firstRow * high }} />
          {rows.slice(firstRow, lastRow).map((one, i) => (
            <GridRow
              key={one.taxon.id}
              row={one}
              r={firstRow + i}
              from={from}
              columns={columns}
              cellOf={cellOf}
              active={firstRow + i === row ? column : undefined}
              height={high}
              idOf={id}
              onPick={(c) => commitAt(firstRow + i, c)}
            />
          ))}
          <View style={{ height: (rows.length - lastRow) * high }} />
        </ScrollView>
      </Box>
      {wide && editor}
    </Stack>
  );
}
