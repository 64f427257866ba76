import { type Guide, shortName } from '@plesion/core/guide';
import { coupletIndex, type Key, sayTree, type TreeNode, treeWithin } from '@plesion/core/keys';
import { useMemo, useState } from 'react';
import { ScrollView, StyleSheet } from 'react-native';
import Svg, { Circle, G, Path, Text as SvgText } from 'react-native-svg';
import { colour, font, radius } from '../../theme';
import { Button } from '../../ui/Button';
import { Disclosure } from '../../ui/Disclosure';
import { PressBox } from '../../ui/PressBox';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';

interface KeyTreeProps {
  keyed: Key;
  guide?: Guide;
  /** Leads taken, as `couplet` + letter, and the couplet one is at. */
  lit?: ReadonlySet<string>;
  at?: string;
  onOpen?: (couplet: string) => void;
  height?: number;
}

const STEP = 62;
const ROW = 22;
const NAMES = 210;
const EDGE = 18;
/** A larger key is drawn in parts. */
const MOST_ROWS = 90;
const ZOOMS = [0.35, 0.5, 0.7, 1, 1.4];

/** The key as a tree: branches as thick as what lies beyond them is rich, the walk lit. */
export function KeyTreeView({ keyed, guide, lit, at, onOpen, height = 380 }: KeyTreeProps) {
  const [root, setRoot] = useState<string>();
  const from = root && coupletIndex(keyed).has(root) ? root : keyed.start;
  const tree = useMemo(() => treeWithin(keyed, from, MOST_ROWS), [keyed, from]);
  const [zoom, setZoom] = useState(3);
  const scale = ZOOMS[zoom];
  const place = useMemo(() => new Map(tree.nodes.map((node) => [node.id, node])), [tree]);
  const width = EDGE * 2 + tree.depth * STEP + NAMES;
  const tall = EDGE * 2 + tree.rows * ROW;
  const x = ({ depth }: TreeNode) => EDGE + depth * STEP;
  const y = ({ row }: TreeNode) => EDGE + (row + 0.5) * ROW;
  return (
    <Stack>
      <Row gap="xs" align="center" oneLine>
        <Text size="small" quiet fill>
          {`${keyed.couplets.length} couplets, ${tree.depth} deep${tree.nodes.some(({ kind }) => kind === 'more') ? ' as shown' : ''}; the thicker a branch, the more names beyond it`}
        </Text>
        {root && <Button small kind="quiet" label="The whole key" onPress={() => setRoot(undefined)} />}
        <Button small label="−" hint="Smaller" disabled={zoom === 0} onPress={() => setZoom(zoom - 1)} />
        <Button small label="+" hint="Larger" disabled={zoom === ZOOMS.length - 1} onPress={() => setZoom(zoom + 1)} />
      </Row>
      <ScrollView style={[styles.window, { maxHeight: height }]}>
        <ScrollView horizontal tabIndex={0} role="region" aria-label="The key as a tree, scrolled with the arrow keys">
          <Svg
            width={width * scale}
            height={tall * scale}
            viewBox={`0 0 ${width} ${tall}`}
            role="img"
            aria-label={`The key as a tree of ${keyed.couplets.length} couplets`}
          >
            {tree.branches.map((branch) => {
              const [from, to] = [place.get(branch.from)!, place.get(branch.to)!];
              const on = lit?.has(branch.couplet + branch.lead);
              const bend = x(from) + STEP * 0.55;
              return (
                <Path
                  key={`${branch.couplet}${branch.lead}`}
                  d={`M${x(from)} ${y(from)}C${bend} ${y(from)} ${x(from) + STEP * 0.3} ${y(to)} ${x(to)} ${y(to)}`}
                  fill="none"
                  stroke={on ? colour.for : colour.hairline}
                  strokeWidth={Math.min(14, 1.4 + 2.4 * Math.sqrt(branch.taxa))}
                  strokeLinecap="round"
                />
              );
            })}
            {tree.nodes.map((node) => (
              <Node
                key={node.id}
                node={node}
                x={x(node)}
                y={y(node)}
                guide={guide}
                here={node.couplet === at && node.kind === 'couplet'}
                onOpen={onOpen}
                onRoot={setRoot}
              />
            ))}
          </Svg>
        </ScrollView>
      </ScrollView>
      <Disclosure title="The tree in words">
        {sayTree(tree).map(({ couplet, text }) => (
          <PressBox
            key={couplet}
            role={onOpen ? 'button' : undefined}
            disabled={!onOpen}
            aria-current={couplet === at ? 'step' : undefined}
            onPress={() => onOpen?.(couplet)}
            justify="center"
            touch
          >
            <Text color={onOpen ? colour.kelp : undefined}>{text}</Text>
          </PressBox>
        ))}
      </Disclosure>
    </Stack>
  );
}

interface NodeProps {
  node: TreeNode;
  x: number;
  y: number;
  guide?: Guide;
  here: boolean;
  onOpen?: (couplet: string) => void;
  /** Draw the tree from here on. */
  onRoot: (couplet: string) => void;
}

function Node({ node, x, y, guide, here, onOpen, onRoot }: NodeProps) {
  if (node.kind === 'couplet') {
    return (
      <G onPress={() => onOpen?.(node.couplet!)}>
        <Circle
          cx={x}
          cy={y}
          r={here ? 12 : 10}
          fill={here ? colour.kelp : colour.sheet}
          stroke={colour.kelp}
          strokeWidth={1.6}
        />
        <SvgText
          x={x}
          y={y + 4}
          textAnchor="middle"
          fontSize={node.label.length > 2 ? 8.5 : 11}
          fontFamily={font.strong}
          fill={here ? colour.sheet : colour.kelp}
        >
          {node.label}
        </SvgText>
      </G>
    );
  }
  const known = guide?.taxa.find(({ id }) => id === node.taxon);
  const name = node.kind === 'taxon';
  return (
    <SvgText
      x={x + 7}
      y={y + 4.5}
      fontSize={13}
      fontFamily={name ? font.name : font.text}
      fill={node.kind === 'open' ? colour.hazard : node.kind === 'more' ? colour.kelp : name ? colour.ink : colour.quiet}
      onPress={node.kind === 'more' ? () => onRoot(node.couplet!) : undefined}
    >
      {name ? shortName(known?.name ?? node.label) : node.label}
    </SvgText>
  );
}

const styles = StyleSheet.create({
  window: { borderWidth: 1, borderColor: colour.hairline, borderRadius: radius.m, backgroundColor: colour.paper },
});
