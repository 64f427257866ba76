import { seeded } from '@plesion/core/probability';
import type { CompiledGuide } from '@plesion/core/guide';
import { aberrantTraits, traitsOf } from '@plesion/core/plates';
import { useMemo, useState } from 'react';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';
import { mainView } from '../plates/plates';
import { PlateView } from '../plates/PlateView';
import { planOf } from '../records/plans';

const ORDINARY = 4;

/** Individuals of a form as chance draws them from its scores, and one that is out of the ordinary. */
export function IndividualsSheet({ compiled, form }: { compiled: CompiledGuide; form: number }) {
  const [draw, setDraw] = useState(1);
  const { guide } = compiled;
  const drawn = useMemo(() => {
    const plan = planOf(guide);
    if (!plan) return [];
    const random = seeded(`${compiled.forms[form].id} ${draw}`);
    const odd = aberrantTraits(compiled, form, random);
    const label = guide.characters.find(({ id }) => id === odd.aberrant)?.label;
    return [
      ...Array.from({ length: ORDINARY }, (_, i) => ({
        traits: traitsOf(compiled, form, random),
        says: `no. ${(draw - 1) * ORDINARY + i + 1}`,
      })),
      ...(label ? [{ traits: odd.traits, says: `out of the ordinary: ${label.toLowerCase()}` }] : []),
    ].map(({ traits, says }) => ({ says, plate: plan.draw(traits, mainView(guide), 'thumb') }));
  }, [compiled, draw, form, guide]);
  if (drawn.length === 0) return null;
  return (
    <Card
      title="Individuals"
      aside={<Button small kind="quiet" label="Others" hint="Draw other individuals" onPress={() => setDraw(draw + 1)} />}
    >
      <Row>
        {drawn.map(({ says, plate }) => (
          <Box key={says} align="center" wide={132} pad="s" ruled="round" ruledIn="hairline" round="m" tone="paper">
            <PlateView plate={plate} width={116} height={92} label={says} />
            <Text size="small" quiet set="centre" tight>
              {says}
            </Text>
          </Box>
        ))}
      </Row>
    </Card>
  );
}
