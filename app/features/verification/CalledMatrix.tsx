import type { CalledPair } from '@plesion/contract/calibration';
import type { Guide } from '@plesion/core/guide';
import { useState } from 'react';
import { colour } from '../../theme';
import { Box } from '../../ui/Box';
import { Card } from '../../ui/Card';
import { LinkBox } from '../../ui/LinkBox';
import { PressBox } from '../../ui/PressBox';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';
import { practicePair } from '../records/practicePair';
import { useGuidesWhole } from '../records/useGuide';

/** What was called what: each with its records. */
export function CalledMatrix({ pairs }: { pairs: readonly CalledPair[] }) {
  const books = useGuidesWhole([...new Set(pairs.map(({ guideId }) => guideId))]);
  const [open, setOpen] = useState<string>();
  const wrong = pairs.filter(({ right }) => !right);
  const right = pairs.filter((pair) => pair.right);
  const lines = (title: string, some: readonly CalledPair[]) =>
    some.length > 0 && (
      <Card title={title} aside={String(some.reduce((sum, { n }) => sum + n, 0))}>
        {some.map((pair) => {
          const key = `${pair.guideId} ${pair.called} ${pair.truth} ${pair.right}`;
          const guide = books.find(({ id }) => id === pair.guideId)?.guide;
          const said = sayPair(guide, pair);
          const practise = guide && !pair.right ? practicePair(pair.guideId, guide, pair.called, pair.truth) : undefined;
          return (
            <Box key={key} ruled="above">
              <PressBox
                role="button"
                aria-expanded={open === key}
                accessibilityLabel={`${said}: ${pair.n}, show the records`}
                onPress={() => setOpen(open === key ? undefined : key)}
                gap="m"
                align="center"
                touch
                round="s"
                across
                oneLine
              >
                <Text fill>{said}</Text>
                <Text strong figures color={colour.kelp}>
                  {pair.n}
                </Text>
              </PressBox>
              {open === key && (
                <Row gap="m" lineGap="none" align="center" padBottom="s">
                  {pair.specimens.map((id, i) => (
                    <LinkBox key={id} href={`/specimens/${id}`} justify="center" least="touch" label={`Record ${i + 1}: ${said}`}>
                      <Text size="small" strong color={colour.kelp}>{`Record ${i + 1}`}</Text>
                    </LinkBox>
                  ))}
                  {practise && (
                    <LinkBox href={practise} justify="center" least="touch" label={`Practise these two: ${said}`}>
                      <Text size="small" strong color={colour.kelp}>
                        Practise these two
                      </Text>
                    </LinkBox>
                  )}
                  {pair.n > pair.specimens.length && (
                    <Text size="small" quiet>{`and ${pair.n - pair.specimens.length} more`}</Text>
                  )}
                </Row>
              )}
            </Box>
          );
        })}
      </Card>
    );
  return (
    <>
      {lines('What was called otherwise than it turned out', wrong)}
      {lines('What was called so', right)}
    </>
  );
}

/** What it was called, and what it was; where both are of one taxon, sex, age or morph was called wrongly. */
function sayPair(guide: Guide | undefined, { called, truth, right }: CalledPair): string {
  const name = (id: string) => {
    const taxon = guide?.taxa.find((one) => one.id === id);
    return taxon?.vernacular ?? taxon?.name ?? id;
  };
  if (right) return called === truth ? name(truth) : `${name(truth)}, named as far as ${name(called)}`;
  return called === truth ? `${name(truth)}, of another sex, age or morph` : `called ${name(called)}, was ${name(truth)}`;
}
