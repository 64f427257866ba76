import type { SpecimenWrite, StoredGuide } from '@plesion/contract';
import type { Standing } from '@plesion/core/evidence';
import { inHundred } from '@plesion/core/evidence';
import { type Guide, sayFacets } from '@plesion/core/guide';
import { overrules, recommendedName } from '@plesion/core/specimen';
import { GivenName } from '@plesion/core/specimen/schema';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { v7 as mintId } from 'uuid';
import { z } from 'zod';
import { useKeptState } from '../../lib/useKeptState';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { Screen } from '../../ui/Screen';
import { Card } from '../../ui/Card';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Box } from '../../ui/Box';
import { TaxonName } from '../../ui/TaxonName';
import { PageHeading } from '../../ui/PageHeading';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';
import { useBench } from '../analysis/useBench';
import { useSession } from '../session/useSession';
import { DangerNotice } from '../judgement/DangerNotice';
import type { Draft } from '../records/draft';
import { useDraft } from '../records/useDraft';
import { NameByHand } from './NameByHand';
import { NameOtherwise } from './NameOtherwise';
import { PinLinks } from '../photos/PinLinks';
import { NameRule } from './NameRule';
import { needsTaxon } from './qualifiers';
import { WarnedBefore } from '../verification/WarnedBefore';
import { VerdictList } from './VerdictList';

/** Write it down: by what its guide says, or by hand where there is none. */
export function NameScreen({ id, suggested }: { id: string; suggested?: string }) {
  const { draft, state } = useDraft(id);
  if (draft && state && state.content.guideId === undefined) return <NameByHand id={id} draft={draft} suggested={suggested} />;
  return <NameByGuide id={id} />;
}

/** What the evidence allows, or otherwise with a reason. */
function NameByGuide({ id }: { id: string }) {
  const { bench, error, retry } = useBench(id);
  const weighed = bench?.answer && { ...bench, answer: bench.answer };
  return (
    <AsyncScreen what="The standing" value={weighed} error={error} retry={retry}>
      {({ stored, answer, state, draft }) => (
        <NameForm id={id} stored={stored} answer={answer} content={state.content} draft={draft} />
      )}
    </AsyncScreen>
  );
}

/** As it is typed; kept over a reload. */
const Typed = z.object({ otherwise: z.boolean(), given: GivenName, reason: z.string() });
type Typed = z.infer<typeof Typed>;

interface NameFormProps {
  id: string;
  stored: StoredGuide;
  answer: Standing;
  content: SpecimenWrite;
  draft: Draft;
}

function NameForm({ id, stored, answer, content, draft }: NameFormProps) {
  const { guide, version } = stored;
  const { readings, photo } = content;
  const router = useRouter();
  const by = useSession().account.name;
  const recommended = recommendedName(answer.call);
  const [{ otherwise, given, reason }, change, forget] = useKeptState<Typed>(`name.${id}`, Typed, {
    otherwise: false,
    given: recommended,
    reason: '',
  });
  const [problem, setProblem] = useState<string>();
  const [busy, setBusy] = useState(false);
  const name = otherwise ? given : recommended;
  const overruled = otherwise && overrules(recommended, given);

  const write = async () => {
    const wrong = problemOf(name, overruled, reason);
    setProblem(wrong);
    if (wrong) return;
    setBusy(true);
    draft.change((now) => ({
      ...now,
      determinations: [
        ...now.determinations,
        {
          id: mintId(),
          ...name,
          by,
          at: new Date().toISOString(),
          p: probabilityOf(answer, name),
          recommended: answer.call.text,
          overruled,
          ...(overruled ? { reason: reason.trim() } : {}),
          guideVersion: version,
        },
      ],
    }));
    forget();
    await draft.flush();
    router.replace(`/specimens/${id}`);
  };

  return (
    <Screen
      widest={760}
      foot={
        <Row gap="m" align="center">
          <Box fill={160}>
            <TaxonName guide={guide} {...name} size={20} />
            <Text size="small" quiet>
              {[sayFacets(guide, name.facets), unionLabel(guide, name.union)].filter(Boolean).join(', ') ||
                'no sex, stage or morph'}
            </Text>
          </Box>
          <Button kind="main" label="Into the daybook" busy={busy} onPress={() => void write()} />
        </Row>
      }
    >
      <PageHeading>How far may it be named?</PageHeading>
      <Card title="Recommended">
        {answer.call.kind === 'undetermined' ? (
          <Text size="title">Not yet a name</Text>
        ) : (
          <TaxonName guide={guide} {...recommended} size={24} />
        )}
        {answer.call.union && (
          <Text size="lead" testID="union">{`${answer.call.union.label}, ${inHundred(answer.call.union.p)}`}</Text>
        )}
        <VerdictList verdicts={answer.call.verdicts} />
        {answer.call.proviso && (
          <Text size="small" quiet>
            {answer.call.proviso}
          </Text>
        )}
      </Card>
      <NameRule guide={guide} answer={answer} readings={readings} taxon={name.taxon} />
      <WarnedBefore stored={stored} content={content} />
      <PinLinks id={id} guide={guide} readings={readings} top={photo} />
      <DangerNotice guide={guide} answer={answer} />
      {answer.fit.poor && (
        <Notice kind="problem" title="It does not fit well">
          {answer.fit.text}
        </Notice>
      )}
      <Notice kind="caution" title="A name is not a promise">
        No result says that an animal is safe to touch, keep or eat. Local law, permits and licensed advice come first.
      </Notice>
      {otherwise ? (
        <NameOtherwise
          guide={guide}
          answer={answer}
          given={given}
          onGive={(next) => change({ given: next })}
          reason={overruled ? reason : undefined}
          onReason={(text) => change({ reason: text })}
          onAsRecommended={() => change({ otherwise: false })}
        />
      ) : (
        <Button label="Name it otherwise" onPress={() => change({ otherwise: true })} />
      )}
      {problem && <Notice kind="problem">{problem}</Notice>}
    </Screen>
  );
}

const unionLabel = (guide: Guide, id: string | undefined) => guide.unions?.find((union) => union.id === id)?.label;

function problemOf(name: GivenName, overruled: boolean, reason: string): string | undefined {
  if (needsTaxon(name.qualifier) && !name.taxon) return 'Choose a name first.';
  if (name.qualifier === 'or' && (!name.other || name.other === name.taxon))
    return 'Choose two different names for “one of two”.';
  return overruled && !reason.trim() ? 'Say why you name it otherwise than recommended.' : undefined;
}

function probabilityOf(answer: Standing, { qualifier, taxon, other }: GivenName): number {
  if (qualifier === 'outside') return answer.outside;
  if (qualifier === 'unknown') return 0;
  const of = (id: string | undefined) => answer.taxa.find((t) => t.taxon === id)?.p ?? 0;
  return Math.min(1, of(taxon) + (qualifier === 'or' ? of(other) : 0));
}
