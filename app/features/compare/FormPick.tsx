import { lookalikesOf } from '@plesion/core/compare';
import { type CompiledGuide, type Guide, taxonIndex, sayFacets, shortName } from '@plesion/core/guide';
import { useMemo, useState } from 'react';
import { Button } from '../../ui/Button';
import { TextField } from '../../ui/TextField';
import { Icon } from '../../ui/Icon';
import { PressBox } from '../../ui/PressBox';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { FORM_INKS } from './inks';

interface FormPickProps {
  guide: Guide;
  compiled: CompiledGuide;
  chosen: readonly string[];
  onChange: (chosen: string[]) => void;
}

const MOST = 4;
const OFFERED = 10;

/** The forms compared, and the way to more: the nearest first, the rest by name. */
export function FormPick({ guide, compiled, chosen, onChange }: FormPickProps) {
  const [open, setOpen] = useState(chosen.length < 2);
  const [text, setText] = useState('');
  const first = chosen[0];
  const offered = useMemo(() => {
    const near = first
      ? lookalikesOf(compiled, first, compiled.forms.length).map(({ form }) => form)
      : compiled.forms.map(({ id }) => id);
    const words = text.toLowerCase().split(/\s+/).filter(Boolean);
    return near.filter((id) => words.every((word) => sayForm(guide, compiled, id).toLowerCase().includes(word)));
  }, [compiled, first, guide, text]);
  return (
    <Stack>
      <Row align="center">
        {chosen.map((id, i) => (
          <PressBox
            key={id}
            role="button"
            accessibilityLabel={`Take ${sayForm(guide, compiled, id)} out`}
            onPress={() => onChange(chosen.filter((other) => other !== id))}
            {...CHIP}
            style={{ borderColor: FORM_INKS[i].line }}
          >
            <Text size="small" strong color={FORM_INKS[i].line}>
              {sayForm(guide, compiled, id)}
            </Text>
            <Icon name="close" size={14} color={FORM_INKS[i].line} />
          </PressBox>
        ))}
        {chosen.length < MOST && (
          <Button small kind="quiet" label={open ? 'Close' : 'Add another'} onPress={() => setOpen(!open)} />
        )}
      </Row>
      {open && chosen.length < MOST && (
        <Stack>
          <TextField
            label={first ? 'Nearest first, or by name' : 'By name'}
            value={text}
            onChangeText={setText}
            placeholder="name, sex, age"
          />
          <Row align="center">
            {offered
              .filter((id) => !chosen.includes(id))
              .slice(0, OFFERED)
              .map((id) => (
                <PressBox
                  key={id}
                  role="button"
                  onPress={() => onChange([...chosen, id])}
                  {...CHIP}
                >
                  <Text size="small">{sayForm(guide, compiled, id)}</Text>
                </PressBox>
              ))}
          </Row>
        </Stack>
      )}
    </Stack>
  );
}

const CHIP = {
  across: true,
  oneLine: true,
  align: 'center',
  gap: 'xs',
  touch: true,
  most: 'all',
  padX: 'm',
  ruled: 'round',
  ruledIn: 'hairline',
  thick: true,
  round: 'm',
  tone: 'sheet',
} as const;

/** "P. murica, adult male". */
export function sayForm(guide: Guide, compiled: CompiledGuide, id: string): string {
  const form = compiled.forms.find((one) => one.id === id);
  if (!form) return id;
  const name = shortName(taxonIndex({ taxa: compiled.guide.taxa }).get(form.taxon)?.name ?? form.taxon);
  const facets = sayFacets(guide, form.facets);
  const share = form.cross ? `${Math.round(form.cross.share * 100)} : ${Math.round(100 - form.cross.share * 100)}` : '';
  return [name, facets, share].filter(Boolean).join(', ');
}
