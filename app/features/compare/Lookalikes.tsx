import { lookalikesOf, seriesOf } from '@plesion/core/compare';
import { inHundred } from '@plesion/core/evidence';
import type { CompiledGuide, Guide } from '@plesion/core/guide';
import type { Plate } from '@plesion/core/plates';
import { useRouter } from 'expo-router';
import { useMemo } from 'react';
import { Card } from '../../ui/Card';
import { PressBox } from '../../ui/PressBox';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { formPlate, mainView } from '../plates/plates';
import { PlateView } from '../plates/PlateView';
import { planOf } from '../records/plans';
import { sayForm } from './FormPick';

interface OfForm {
  id: string;
  guide: Guide;
  compiled: CompiledGuide;
  formId: string;
}

/** The forms most easily taken for this one, also across sex and age; a press sets them side by side. */
export function Lookalikes({ id, guide, compiled, formId }: OfForm) {
  const router = useRouter();
  const near = useMemo(() => lookalikesOf(compiled, formId), [compiled, formId]);
  return (
    <Card title="Easily taken for" aside="press to compare">
      <Row>
        {near.map(({ form, error, sameTaxon }) => {
          const plate = formPlate(guide, form, mainView(guide), 'thumb');
          return (
            <PressBox
              key={form}
              role="button"
              accessibilityLabel={`Compare with ${sayForm(guide, compiled, form)}`}
              onPress={() => router.push({ pathname: '/guides/[id]/compare', params: { id, forms: `${formId},${form}` } })}
              gap="hair"
              align="center"
              wide={132}
              pad="s"
              ruled="round"
              ruledIn="hairline"
              round="m"
              tone="paper"
            >
              {plate && <PlateView plate={plate} width={108} height={92} />}
              <Text size="small" strong set="centre">
                {sayForm(guide, compiled, form)}
              </Text>
              <Text size="small" quiet set="centre">
                {`${error >= 0.01 ? `up to ${inHundred(error)} wrong` : `${inHundred(error)} wrong at most`}${sameTaxon ? ', same name' : ''}`}
              </Text>
            </PressBox>
          );
        })}
      </Row>
    </Card>
  );
}

/** The form itself, from its usual look to its extreme: what the name covers. */
export function OwnSeries({ guide, compiled, formId }: Omit<OfForm, 'id'>) {
  const series = useMemo(() => {
    const at = compiled.forms.findIndex((form) => form.id === formId);
    const plan = planOf(guide);
    if (at < 0 || !plan) return [];
    return seriesOf(compiled, at).map(({ label, traits }): { label: string; plate: Plate } => ({
      label,
      plate: plan.draw(traits, mainView(guide), 'thumb'),
    }));
  }, [compiled, formId, guide]);
  if (series.length === 0) return null;
  return (
    <Card title="From usual to extreme" aside="all of them this form">
      <Row>
        {series.map(({ label, plate }) => (
          <Stack key={label} gap="hair" align="center" wide={132} pad="s" ruled="round" ruledIn="hairline" round="m" tone="paper">
            <PlateView plate={plate} width={116} height={104} label={label} />
            <Text size="small" quiet>
              {label}
            </Text>
          </Stack>
        ))}
      </Row>
    </Card>
  );
}
