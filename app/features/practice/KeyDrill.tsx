import type { StoredKey } from '@plesion/contract';
import type { Guide } from '@plesion/core/guide';
import { coupletIndex, printStatements } from '@plesion/core/keys';
import type { DrillStep, Item } from '@plesion/core/practice';
import { useEffect, useRef, useState } from 'react';
import { useWindowDimensions, View } from 'react-native';
import { colour, space } from '../../theme';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Notice } from '../../ui/Notice';
import { focusHeading } from '../../ui/PageHeading';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { useShortcuts } from '../../ui/useShortcuts';
import { TermText } from '../glossary/TermText';
import { overPlate } from '../plates/plates';
import { PlateView } from '../plates/PlateView';
import { DrillTold } from './DrillTold';
import { useItemPlate } from './itemPlate';
import { useGiven } from './keptTurn';
import { sayReading } from './sayReading';
import type { usePractice } from './usePractice';

const WIDEST = 560;
const TALLEST = 320;

interface KeyDrillProps {
  guide: Guide;
  keyed: StoredKey;
  item: Item;
  practice: ReturnType<typeof usePractice>;
}

/** One individual through a key: each couplet is judged at once; and then what it is. */
export function KeyDrill({ guide, keyed, item, practice: { answer, told, next, tally, problem: kept } }: KeyDrillProps) {
  const { steps } = item.drill!;
  const [{ steps: taken = [] }, give] = useGiven(item.seed);
  /** Couplets that were gone on from. */
  const [passed, setPassed] = useState(Math.min(taken.length, steps.length - 1));
  const since = useRef(Date.now());
  const [inWords, setInWords] = useState(false);
  const step = steps[passed];
  const couplet = coupletIndex(keyed.key).get(step.couplet)!;
  const said = taken.find((one) => one.couplet === step.couplet)?.lead;
  // Come to by a button that is gone.
  useEffect(() => {
    if (tally.answers > 0) focusHeading();
    // oxlint-disable-next-line react-hooks/exhaustive-deps -- once, as it comes
  }, []);
  const take = (lead: string) => {
    const seconds = Math.round((Date.now() - since.current) / 100) / 10;
    give({ steps: [...taken, { couplet: step.couplet, lead, seconds }] });
  };
  const goOn = () => {
    if (told) return next();
    if (passed === steps.length - 1) return answer({ groups: [], sure: 'sure', steps: taken });
    since.current = Date.now();
    setPassed(passed + 1);
    focusHeading();
  };
  // Numbers take a lead, space goes on.
  useShortcuts(({ key, target }) => {
    const pressed = target instanceof HTMLElement && target.closest('button, a, [role=button]');
    if (key === ' ') return pressed || (!said && !told) ? undefined : goOn;
    const lead = /^[1-9]$/.test(key) && !said && !told ? couplet.leads[Number(key) - 1] : undefined;
    return lead && (() => take(lead.id));
  });
  const view = guide.views.find((one) => one.id === step.view)?.label ?? step.view;
  return (
    <>
      <Card
        title={`Couplet ${couplet.number}`}
        aside={tally.answers > 0 ? `${tally.right} of ${tally.answers} right` : undefined}
      >
        <Text size="small" quiet>{`${keyed.title} · ${view}`}</Text>
        {inWords ? (
          <Shown guide={guide} readings={step.shows} />
        ) : (
          <StepPlate key={step.view} guide={guide} item={item} view={step.view} label={view} />
        )}
        {step.given.length > 0 && (
          <View>
            <Text size="small" quiet>
              Not to be seen in it, and told:
            </Text>
            <Shown guide={guide} readings={step.given} />
          </View>
        )}
        {couplet.leads.map((lead, i) => (
          <Stack
            key={lead.id}
            role="group"
            aria-label={`Lead ${couplet.number}${lead.id}`}
            pad="m"
            ruled="round"
            ruledIn={said !== undefined && step.leads.includes(lead.id) ? 'kelp' : 'edge'}
            thick
            round="m"
          >
            <TermText guide={guide} text={printStatements(lead.statements) || '…'} />
            <Row justify="end" oneLine gap="none">
              {said === undefined ? (
                <Button
                  label={`Take ${couplet.number}${lead.id}`}
                  hint={`Take ${couplet.number}${lead.id}, key ${i + 1}`}
                  onPress={() => take(lead.id)}
                />
              ) : (
                <Text size="small" strong>
                  {[step.leads.includes(lead.id) && 'the right one', said === lead.id && 'yours'].filter(Boolean).join(', ')}
                </Text>
              )}
            </Row>
          </Stack>
        ))}
        {said === undefined ? (
          <Box align="end">
            <Button
              small
              kind="quiet"
              label={inWords ? 'Show it drawn' : 'Tell it in words'}
              onPress={() => setInWords(!inWords)}
            />
          </Box>
        ) : (
          <>
            <Verdict guide={guide} step={step} number={couplet.number} said={said} />
            {!told && (
              <Row justify="end" oneLine gap="none">
                <Button kind="main" label={passed === steps.length - 1 ? 'What it is' : 'On'} onPress={goOn} />
              </Row>
            )}
          </>
        )}
        {kept && <Notice kind="problem">{kept}</Notice>}
      </Card>
      {told && <DrillTold guide={guide} item={item} right={told.right} taken={taken} onNext={next} />}
    </>
  );
}

function StepPlate({ guide, item, view, label }: { guide: Guide; item: Item; view: string; label: string }) {
  const room = Math.min(WIDEST, useWindowDimensions().width - 4 * space.m);
  const plate = useItemPlate(guide, item, view);
  return (
    <Box self="center">
      <PlateView plate={plate} {...overPlate(plate, room, TALLEST)} label={`An individual, ${label}`} />
    </Box>
  );
}

function Shown({ guide, readings }: { guide: Guide; readings: DrillStep['shows'] }) {
  return readings.length > 0 ? (
    <View role="list">
      {readings.map((reading) => (
        <View key={reading.character} role="listitem">
          <Text>{sayReading(guide, reading)}</Text>
        </View>
      ))}
    </View>
  ) : (
    <Text quiet>Nothing of what is asked shows in this view.</Text>
  );
}

/** Was it the right lead, and what shows it? */
function Verdict({ guide, step, number, said }: { guide: Guide; step: DrillStep; number: string; said: string }) {
  const right = step.leads.includes(said);
  const shown = [...step.shows, ...step.given].map((reading) => sayReading(guide, reading));
  return (
    <View>
      <Text strong role="status" color={right ? colour.kelp : colour.hazard}>
        {right
          ? `Right: ${number}${said}.`
          : `Not ${number}${said}: ${step.leads.map((lead) => `${number}${lead}`).join(' or ')}.`}
      </Text>
      {shown.length > 0 && <Text>{`${shown.join('; ')}.`}</Text>}
    </View>
  );
}
