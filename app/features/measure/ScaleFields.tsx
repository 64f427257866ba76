import { Box } from '../../ui/Box';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { TextField } from '../../ui/TextField';
import { Text } from '../../ui/Text';
import { lengthTyped, SCALE_KINDS, type ScaleEntry, type ScaleKind } from './steps';

const LABELS: Record<ScaleKind, string> = {
  none: 'no scale',
  length: 'a bar or a known length',
  rectangle: 'a known rectangle',
  grid: 'a grid, 3 × 3 crossings',
};

const wrong = (text: string) =>
  text.trim() && lengthTyped(text) === undefined ? 'Write a length above 0, such as 10.' : undefined;

/** What tells how large a pixel is; a rectangle or a grid also puts a tilted photo right. */
export function ScaleFields({
  scale,
  needed,
  onChange,
}: {
  scale: ScaleEntry;
  needed: boolean;
  onChange: (scale: ScaleEntry) => void;
}) {
  const field = (name: 'mm' | 'width' | 'height', label: string) => (
    <Box fill most={220}>
      <TextField
        label={label}
        unit="mm"
        inputMode="decimal"
        value={scale[name]}
        problem={wrong(scale[name])}
        onChangeText={(text) => onChange({ ...scale, [name]: text })}
      />
    </Box>
  );
  return (
    <Stack>
      <ChoiceGroup
        label="Scale"
        options={SCALE_KINDS.map((id) => ({ id, label: LABELS[id] }))}
        chosen={[scale.kind]}
        onChange={([kind]) => onChange({ ...scale, kind: kind })}
      />
      {scale.kind === 'none' && (
        <Text size="small" quiet>
          {needed
            ? 'A length in millimetres needs one: set both ends of something whose length you know.'
            : 'A ratio needs none. A rectangle or a grid that lies beside the specimen puts a tilted photo right.'}
        </Text>
      )}
      {scale.kind === 'length' && field('mm', 'Its length')}
      {scale.kind === 'grid' && field('mm', 'From crossing to crossing')}
      {scale.kind === 'rectangle' && (
        <Row gap="m" oneLine>
          {field('width', 'Its width')}
          {field('height', 'Its height')}
        </Row>
      )}
    </Stack>
  );
}
