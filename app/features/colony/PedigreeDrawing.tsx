import { BAND, bandOf, DEAD, outlinePath, shadedPath } from '@plesion/core/pedigree';
import { type Chart, HALF } from '@plesion/core/pedigree';
import type { SymbolFacts } from '@plesion/core/pedigree';
import type { Plate } from '@plesion/core/plates';
import { memo, useId } from 'react';
import Svg, { Defs, G, Path, Rect, Text as SvgText, Use } from 'react-native-svg';
import { colour, font } from '../../theme';
import { byLamp, Inks } from '../plates/PlateView';
import { strainFill, StrainPattern } from './StrainKey';

export interface Sight {
  x: number;
  y: number;
  width: number;
  height: number;
}

interface Props {
  chart: Chart;
  facts: ReadonlyMap<string, SymbolFacts>;
  /** What somebody looks like; nothing where the guide draws nothing, or they are too small to be seen. */
  plateOf?: (id: string) => { key: string; plate: Plate } | undefined;
  strains: readonly string[];
  chosen?: string;
  /** Only what is in sight is drawn. */
  sight: Sight;
  /** How the drawing lies on the screen. */
  view: { scale: number; x: number; y: number };
  size: { width: number; height: number };
}

/** As wide as a plate may be within a symbol. */
const PLATE = HALF * 1.5;

/** A pedigree on the screen. */
export function PedigreeDrawing({ view: { scale, x, y }, size, ...drawn }: Props) {
  return (
    <Svg width={size.width} height={size.height} aria-hidden>
      <G transform={`translate(${x.toFixed(1)} ${y.toFixed(1)}) scale(${scale.toFixed(4)})`}>
        <Drawn {...drawn} />
      </G>
    </Svg>
  );
}

const Drawn = memo(function Drawn({ chart, facts, plateOf, strains, chosen, sight }: Omit<Props, 'view' | 'size'>) {
  const own = useId();
  const inSight = ({ x, y }: { x: number; y: number }) =>
    x > sight.x && x < sight.x + sight.width && y > sight.y && y < sight.y + sight.height;
  const seen = chart.symbols.filter(inSight);
  const plates = new Map(seen.flatMap(({ id }) => [plateOf?.(id) ?? []].flat()).map(({ key, plate }) => [key, plate]));
  return (
    <>
      <Defs>
        {[...plates].map(([key, plate]) => (
          <G key={key} id={`${own}${key}`} style={byLamp}>
            <Inks plate={plate} />
          </G>
        ))}
        {strains.map((_, i) => (
          <StrainPattern key={i} i={i} />
        ))}
      </Defs>
      {chart.lines.map(({ points, doubtful, kin }, i) => (
        <Path
          key={i}
          d={(kin ? [-2.2, 2.2] : [0]).map((off) => `M${points.map(([x, y]) => `${x} ${y + off}`).join('L')}`).join('')}
          fill="none"
          stroke={colour.quiet}
          strokeWidth={1.6}
          strokeDasharray={doubtful ? '6 5' : undefined}
        />
      ))}
      {seen.map(({ id, x, y }) => {
        const one = facts.get(id)!;
        const drawn = plateOf?.(id);
        return (
          <G key={id} transform={`translate(${x} ${y})`}>
            {id === chosen && (
              <Rect
                x={-HALF - 14}
                y={-HALF - 8}
                width={2 * HALF + 22}
                height={2 * HALF + 32}
                rx={8}
                fill={colour.forWash}
                stroke={colour.for}
                strokeWidth={1.2}
              />
            )}
            <Path d={outlinePath(one.sex)} fill={colour.sheet} />
            {one.shade !== undefined && one.shade > 0.0005 && (
              <Path d={shadedPath(one.sex, one.shade)} fill={colour.againstTint} />
            )}
            {drawn && <Use href={`#${own}${drawn.key}`} transform={within(drawn.plate)} />}
            <Path
              d={outlinePath(one.sex)}
              fill="none"
              stroke={one.wrong ? colour.hazard : colour.ink}
              strokeWidth={one.wrong ? 4 : 1.8}
            />
            {bandOf(one.shares, strains).map(({ strain, y: top, height }) => (
              <Rect
                key={strain}
                x={BAND.x}
                y={top}
                width={BAND.width}
                height={height}
                fill={strainFill(strains.indexOf(strain))}
                stroke={colour.ink}
                strokeWidth={0.6}
              />
            ))}
            {one.away === 'dead' && <Path d={DEAD} stroke={colour.ink} strokeWidth={1.4} />}
            <SvgText x={5} y={HALF + 17} fontSize={13} fontFamily={font.strong} fill={colour.ink}>
              {`${one.name}${one.wrong ? ' !' : ''}`}
            </SvgText>
            {one.folded > 0 && (
              <SvgText x={-8} y={HALF + 17} fontSize={13} fontFamily={font.strong} textAnchor="end" fill={colour.kelp}>
                {`+${one.folded}`}
              </SvgText>
            )}
          </G>
        );
      })}
    </>
  );
});

/** A plate in the middle of its symbol. */
function within({ box }: Plate): string {
  const scale = PLATE / (100 * Math.max(box.width, box.height));
  const [cx, cy] = [100 * (box.x + box.width / 2), 100 * (box.y + box.height / 2)];
  return `scale(${scale.toPrecision(4)}) translate(${-cx.toFixed(0)} ${-cy.toFixed(0)})`;
}
