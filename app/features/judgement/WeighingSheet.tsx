import type { Standing } from '@plesion/core/evidence';
import { type Guide, taxonIndex, type Judgement, shortName } from '@plesion/core/guide';
import { Suspense, useState } from 'react';
import { Button } from '../../ui/Button';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Card } from '../../ui/Card';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { lazyPart } from '../../ui/lazyPart';
import { Text } from '../../ui/Text';
import { asKind, excludedOf, followingFirst, orderOf, toggled, weighted } from './policy';

/** Practice is asked for by whoever looks how it is weighed. */
const OwnReading = lazyPart(
  () => import('./OwnReading'),
  (own) => own.OwnReading,
);

interface WeighingSheetProps {
  guideId: string;
  guide: Guide;
  answer?: Standing;
  judgement: Judgement;
  onJudge: (judgement: Judgement) => void;
}

/** How the readings are weighed: whom to believe, which names are in force, and whether a cross is considered. */
export function WeighingSheet({ guideId, guide, answer, judgement, onJudge }: WeighingSheetProps) {
  const [open, setOpen] = useState(false);
  const changed = Object.values(judgement).some((value) => value !== undefined);
  return (
    <Card
      title="How it is weighed"
      aside={
        <Button
          small
          kind="quiet"
          label={open ? 'Close' : 'Change'}
          hint="Change how it is weighed"
          onPress={() => setOpen(!open)}
        />
      }
    >
      <Text size="small" quiet>
        {sayJudgement(guide, judgement)}
      </Text>
      {open && (
        <Stack gap="l">
          {guide.sources.length > 1 && <Sources guide={guide} judgement={judgement} onJudge={onJudge} />}
          {guide.treatments && (
            <Stack>
              <ChoiceGroup
                label="Names"
                clearable
                options={guide.treatments}
                chosen={judgement.treatment ? [judgement.treatment] : []}
                onChange={([treatment]) => onJudge({ ...judgement, treatment })}
              />
              <Text size="small" quiet>
                {guide.treatments.find(({ id }) => id === judgement.treatment)?.explanation ??
                  'As the guide has them. Readings stay as they are whichever names you choose.'}
              </Text>
            </Stack>
          )}
          <CrossChoice guide={guide} answer={answer} judgement={judgement} onJudge={onJudge} />
          <Suspense fallback={null}>
            <OwnReading guideId={guideId} guide={guide} judgement={judgement} onJudge={onJudge} />
          </Suspense>
          {changed && <Button small label="All as the guide has it" onPress={() => onJudge({})} />}
        </Stack>
      )}
    </Card>
  );
}

function Sources({ guide, judgement, onJudge }: Omit<WeighingSheetProps, 'answer' | 'guideId'>) {
  const { policy } = judgement;
  const now = policy ?? guide.policy;
  const excluded = excludedOf(guide, policy);
  const order = orderOf(guide, policy);
  const set = (next: Judgement['policy']) => onJudge({ ...judgement, policy: next });
  return (
    <Stack>
      <ChoiceGroup
        label="Sources"
        options={[
          { id: 'prefer', label: 'one before the other' },
          { id: 'pool', label: 'pooled by weight' },
        ]}
        chosen={[now.kind]}
        onChange={([kind]) => set(asKind(guide, policy, kind))}
      />
      {order.map((id, i) => {
        const label = guide.sources.find((source) => source.id === id)!.label;
        const out = excluded.includes(id);
        return (
          <Row key={id} align="center" padTop="xs" ruled="above">
            <Text size="small" strong={!out} quiet={out} fill least={150}>
              {now.kind === 'prefer' && !out ? `${order.filter((o) => !excluded.includes(o)).indexOf(id) + 1}. ${label}` : label}
            </Text>
            {now.kind === 'prefer' && !out && i > 0 && (
              <Button
                small
                kind="quiet"
                label="First"
                hint={`Ask ${label} first`}
                onPress={() => set(followingFirst(guide, policy, id))}
              />
            )}
            {now.kind === 'pool' && !out && (
              <>
                <Button
                  small
                  kind="quiet"
                  label="−"
                  hint={`Less weight for ${label}`}
                  onPress={() => set(weighted(guide, policy, id, 0.5))}
                />
                <Text size="small" figures>
                  {`× ${now.weights[id] ?? 1}`}
                </Text>
                <Button
                  small
                  kind="quiet"
                  label="+"
                  hint={`More weight for ${label}`}
                  onPress={() => set(weighted(guide, policy, id, 2))}
                />
              </>
            )}
            <Button
              small
              kind="quiet"
              label={out ? 'Use again' : 'Leave out'}
              hint={`${out ? 'Use again' : 'Leave out'} ${label}`}
              onPress={() => set(toggled(guide, policy, id))}
            />
          </Row>
        );
      })}
    </Stack>
  );
}

/** The two in front may be the parents of what one has. */
function CrossChoice({ guide, answer, judgement, onJudge }: Omit<WeighingSheetProps, 'guideId'>) {
  if (judgement.cross) {
    return (
      <Row align="center" padTop="xs" ruled="above">
        <Text size="small" fill least={150}>
          {`The cross ${judgement.cross.map((id) => nameOf(guide, id)).join(' × ')} is considered.`}
        </Text>
        <Button small kind="quiet" label="Remove it" onPress={() => onJudge({ ...judgement, cross: undefined })} />
      </Row>
    );
  }
  const terminal = [...new Set((answer?.forms ?? []).map(({ taxon }) => taxon))]
    .filter((id) => taxonIndex(guide).get(id)?.forms)
    .slice(0, 2);
  if (terminal.length < 2) return null;
  const [a, b] = terminal;
  return (
    <Row align="center" padTop="xs" ruled="above">
      <Text size="small" fill least={150}>
        {`Could it be a cross of ${nameOf(guide, a)} and ${nameOf(guide, b)}?`}
      </Text>
      <Button small label="Consider it" onPress={() => onJudge({ ...judgement, cross: [a, b] })} />
    </Row>
  );
}

const nameOf = (guide: Guide, id: string) => shortName(taxonIndex(guide).get(id)?.name ?? id);

function sayJudgement(guide: Guide, { policy, treatment, cross, reader }: Judgement): string {
  const labels = new Map(guide.sources.map(({ id, label }) => [id, label]));
  const excluded = excludedOf(guide, policy);
  const kept = orderOf(guide, policy).filter((id) => !excluded.includes(id));
  const said = [
    (policy ?? guide.policy).kind === 'pool'
      ? `pooled: ${kept.map((id) => labels.get(id)).join(', ')}`
      : kept.map((id) => labels.get(id)).join(' before '),
    excluded.length ? `without ${excluded.map((id) => labels.get(id)).join(', ')}` : '',
    treatment ? `names as ${guide.treatments?.find(({ id }) => id === treatment)?.label}` : '',
    cross ? `with the cross ${cross.map((id) => nameOf(guide, id)).join(' × ')}` : '',
    reader ? `marks as ${reader.name} reads them` : '',
  ];
  const text = said.filter(Boolean).join('; ');
  return `${text[0].toUpperCase()}${text.slice(1)}.`;
}
