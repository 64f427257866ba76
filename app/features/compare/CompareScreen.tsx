import { urlOf } from '@plesion/contract';
import { compareForms, namesOf } from '@plesion/core/compare';
import { compiledFor, type Guide, type Judgement } from '@plesion/core/guide';
import type { Situation } from '@plesion/core/observation';
import { useRouter } from 'expo-router';
import { Suspense, useMemo } from 'react';
import { colour } from '../../theme';
import { LinkBox } from '../../ui/LinkBox';
import { Notice } from '../../ui/Notice';
import { Screen } from '../../ui/Screen';
import { Card } from '../../ui/Card';
import { lazyPart } from '../../ui/lazyPart';
import { Empty } from '../../ui/states';
import { Text } from '../../ui/Text';
import { Typeset } from '../../ui/Typeset';
import { PageHeading } from '../../ui/PageHeading';
import { practicePair } from '../records/practicePair';
import { WithGuide } from '../records/WithGuide';
import { useDraft } from '../records/useDraft';
import { ComparedCharacters } from './ComparedCharacters';
import { ComparedPlates } from './ComparedPlates';
import { FormPick } from './FormPick';
import { SendPage } from './SendPage';

/** Fetched where the guide has photographs. */
const ComparedFigures = lazyPart(
  () => import('./ComparedFigures'),
  (part) => part.ComparedFigures,
);

interface CompareScreenProps {
  id: string;
  formIds: readonly string[];
  /** The specimen whose situation and judgement hold. */
  specimenId?: string;
}

/** Two to four forms side by side: drawn alike, and every character by how well it separates them. */
export function CompareScreen({ id, formIds, specimenId }: CompareScreenProps) {
  return (
    <WithGuide id={id} what="The guide">
      {({ guide }) =>
        specimenId ? (
          <ForSpecimen id={id} guide={guide} formIds={formIds} specimenId={specimenId} />
        ) : (
          <Compared id={id} guide={guide} formIds={formIds} />
        )
      }
    </WithGuide>
  );
}

function ForSpecimen({ specimenId, ...rest }: { id: string; guide: Guide; formIds: readonly string[]; specimenId: string }) {
  const content = useDraft(specimenId).state?.content;
  return <Compared {...rest} specimenId={specimenId} situation={content?.situation} judgement={content?.judgement} />;
}

interface ComparedProps {
  id: string;
  guide: Guide;
  formIds: readonly string[];
  specimenId?: string;
  situation?: Situation;
  judgement?: Judgement;
}

function Compared({ id, guide, formIds, specimenId, situation, judgement }: ComparedProps) {
  const router = useRouter();
  const compiled = useMemo(() => compiledFor(guide, situation ?? {}, judgement), [guide, situation, judgement]);
  const forms = formIds.filter((form) => compiled.forms.some((known) => known.id === form));
  const choose = (next: readonly string[]) =>
    router.setParams({ forms: next.join(','), ...(specimenId ? { specimen: specimenId } : {}) });
  const enough = forms.length >= 2;
  const comparison = useMemo(
    () =>
      enough
        ? compareForms(
            compiled,
            formIds.filter((form) => compiled.forms.some((known) => known.id === form)),
            situation ?? {},
          )
        : undefined,
    [compiled, enough, formIds, situation],
  );
  const two = comparison?.forms.length === 2 ? comparison.forms : undefined;
  const practise = two && practicePair(id, guide, two[0].taxon, two[1].taxon);
  const names = comparison ? namesOf(compiled, comparison.forms) : [];
  return (
    <Screen
      widest={1080}
      foot={
        comparison && (
          <SendPage
            small
            url={(as, paper) =>
              urlOf('comparePage', { params: { id }, query: { forms: forms.join(','), as, specimen: specimenId, paper } })
            }
          />
        )
      }
    >
      <PageHeading>Side by side</PageHeading>
      <FormPick guide={guide} compiled={compiled} chosen={forms} onChange={choose} />
      {!comparison && (
        <Empty title="Choose two to four forms">
          They are drawn in the same view and at the same scale, with what tells them apart.
        </Empty>
      )}
      {comparison && (
        <>
          <ComparedPlates guide={guide} forms={comparison.forms} names={names} />
          <Card title="In plain words">
            <Typeset testID="paragraph" parts={comparison.typeset} />
            {practise && (
              <LinkBox href={practise} justify="center">
                <Text strong color={colour.kelp}>
                  Practise these two
                </Text>
              </LinkBox>
            )}
          </Card>
          {guide.figures && (
            <Suspense fallback={null}>
              <ComparedFigures guide={guide} forms={comparison.forms} names={names} />
            </Suspense>
          )}
          <Dangers guide={guide} taxa={comparison.forms.map(({ taxon }) => taxon)} />
          <ComparedCharacters guide={guide} comparison={comparison} names={names} />
        </>
      )}
    </Screen>
  );
}

function Dangers({ guide, taxa }: { guide: Guide; taxa: readonly string[] }) {
  return guide.taxa
    .filter(({ id, hazards }) => taxa.includes(id) && hazards?.length)
    .map(({ id, name, hazards, legal }) => (
      <Notice key={id} kind="caution" title={`${name}: take care`}>
        {[...hazards!.map(({ text }) => text), legal].filter(Boolean).join(' ')}
      </Notice>
    ));
}
