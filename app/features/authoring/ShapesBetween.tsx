import { PLAIN_FORMS, type Quantity, type Shape } from '@plesion/core/guide';
import { shapeFrom, shapePath } from '@plesion/core/authoring';
import { useState } from 'react';
import Svg, { Path } from 'react-native-svg';
import { colour } from '../../theme';
import { Disclosure } from '../../ui/Disclosure';
import { Picker } from '../../ui/Picker';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { CommitField } from './CommitField';

type Form = Extract<Quantity, { kind: 'form' }>;

const ENDS = ['At 0 it is', 'At 1 it is'] as const;
const OWN = 'an outline of its own';

/** The two forms that an outline is held against: plain ones by their names, or outlines of the guide's own. */
export function ShapesBetween({ quantity, onChange }: { quantity: Form; onChange: (quantity: Form) => void }) {
  const { between } = quantity;
  const put = (i: number, shape: Shape) =>
    onChange({ ...quantity, between: i === 0 ? [shape, between[1]] : [between[0], shape] });
  return (
    <>
      {between.map((shape, i) => (
        <ShapeChoice key={ENDS[i]} end={ENDS[i]} shape={shape} onChange={(next) => put(i, next)} />
      ))}
      <Text size="small" quiet>
        Length by width is told apart from form: a broad oval and a narrow one are the same here.
      </Text>
    </>
  );
}

interface ChoiceProps {
  end: string;
  shape: Shape;
  onChange: (shape: Shape) => void;
}

function ShapeChoice({ end, shape, onChange }: ChoiceProps) {
  const [problem, setProblem] = useState<string>();
  const plain = PLAIN_FORMS.some(({ label }) => label === shape.label);
  const shapes = plain ? PLAIN_FORMS : [...PLAIN_FORMS, shape];
  return (
    <Stack>
      <Text strong>{`${end} ${shape.label}`}</Text>
      <Picker
        label={end}
        items={shapes.map(({ label }) => ({ id: label, label }))}
        chosen={shape.label}
        onChange={(label) => onChange(shapes.find((one) => one.label === label)!)}
        tile={{ align: 'center', gap: 'xs', pad: 's', least: 88 }}
        draw={({ id, label }, on) => (
          <>
            <Svg width={SIDE} height={SIDE} aria-hidden>
              <Path
                d={shapePath(
                  shapes.find((one) => one.label === id)!,
                  SIDE,
                )}
                fill={on ? colour.kelp : colour.quiet}
              />
            </Svg>
            <Text size="small">{label}</Text>
          </>
        )}
      />
      <Disclosure title={`${end} an outline of its own`} open={!plain}>
        <CommitField
          multiline
          label={`${end} as these points go round`}
          hint="From its foot on all the way round, x and y on a line each."
          value={plain ? '' : shape.points.map(([x, y]) => `${x} ${y}`).join('\n')}
          problem={problem}
          maxLength={20_000}
          onCommit={(text) => {
            if (!text.trim()) return setProblem(undefined);
            const read = shapeFrom(text);
            setProblem(read.ok ? undefined : read.problems[0].message);
            if (read.ok) onChange({ label: OWN, points: read.value });
          }}
        />
      </Disclosure>
    </Stack>
  );
}

const SIDE = 44;
