import { describeForm, tellingCharacters } from '@plesion/core/book';
import { apartFrom } from '@plesion/core/compare';
import { type CompiledGuide, type Guide, taxonIndex, sayFacets } from '@plesion/core/guide';
import { Suspense, useMemo } from 'react';
import { colour } from '../../theme';
import { Notice } from '../../ui/Notice';
import { PageHeading } from '../../ui/PageHeading';
import { Screen } from '../../ui/Screen';
import { Card } from '../../ui/Card';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { lazyPart } from '../../ui/lazyPart';
import { TaxonName } from '../../ui/TaxonName';
import { Typeset } from '../../ui/Typeset';
import { Text } from '../../ui/Text';
import { GROUPS } from '../analysis/readings';
import { Lookalikes, OwnSeries } from '../compare/Lookalikes';
import { TermText } from '../glossary/TermText';
import { compiledOf } from '../records/compiled';
import { WithGuide } from '../records/WithGuide';
import { DisputesOf } from './DisputesOf';
import { FormPlates } from './FormPlates';
import { FromTexts } from './FromTexts';
import { IndividualsSheet } from './IndividualsSheet';
import { PresenceSheet } from './PresenceSheet';
import { Hazards, OtherNames } from './TaxonNotes';

/** Fetched where the guide has photographs. */
const FiguresCard = lazyPart(
  () => import('./FiguresCard'),
  (part) => part.FiguresCard,
);
/** Fetched after what the guide says. */
const Gallery = lazyPart(
  () => import('./Gallery'),
  (one) => one.Gallery,
);

/** One form: its plates large with its characters pointed at, and all that the guide says of it. */
export function FormPage({ id, formId }: { id: string; formId: string }) {
  return (
    <WithGuide id={id} what="The form">
      {({ guide }) => <Form id={id} guide={guide} formId={formId} />}
    </WithGuide>
  );
}

function Form({ id, guide, formId }: { id: string; guide: Guide; formId: string }) {
  const compiled = compiledOf(guide);
  const at = compiled.forms.findIndex((form) => form.id === formId);
  if (at < 0)
    return (
      <Screen>
        <PageHeading>No such form</PageHeading>
        <Notice kind="problem">{`There is no form “${formId}” in this guide.`}</Notice>
      </Screen>
    );
  return (
    <Screen widest={1080}>
      <FormHead guide={guide} compiled={compiled} form={at} />
      <FormPlates id={id} guide={guide} formId={formId} characters={tellingCharacters(compiled, at, 40)} />
      {guide.figures && (
        <Suspense fallback={null}>
          <FiguresCard id={id} guide={guide} form={compiled.forms[at]} />
        </Suspense>
      )}
      <Description guide={guide} compiled={compiled} form={at} />
      <OwnSeries guide={guide} compiled={compiled} formId={formId} />
      <Suspense fallback={null}>
        <Gallery id={id} compiled={compiled} form={at} />
      </Suspense>
      <IndividualsSheet compiled={compiled} form={at} />
      <Lookalikes id={id} guide={guide} compiled={compiled} formId={formId} />
      <PresenceSheet compiled={compiled} form={at} />
      <DisputesOf compiled={compiled} form={at} />
      <FromTexts guide={guide} form={compiled.forms[at]} />
      <Card title="Sources">
        {guide.sources.map(({ id: source, label, citation }) => (
          <Text key={source} size="small">
            <Text size="small" strong>{`${label}. `}</Text>
            {citation}
          </Text>
        ))}
      </Card>
      <Notice kind="caution" title="Take care">
        {guide.caution}
      </Notice>
    </Screen>
  );
}

function FormHead({ guide, compiled, form: at }: { guide: Guide; compiled: CompiledGuide; form: number }) {
  const form = compiled.forms[at];
  const taxon = taxonIndex(guide).get(form.taxon);
  return (
    <Stack gap="xs">
      <PageHeading title={[taxon?.name, sayFacets(guide, form.facets)].filter(Boolean).join(', ')}>
        <TaxonName guide={guide} taxon={form.taxon} size={32} />
        <Text size="lead">{sayFacets(guide, form.facets)}</Text>
      </PageHeading>
      <Text quiet size="small">
        {[taxon?.vernacular, taxon?.authority].filter(Boolean).join(' · ')}
      </Text>
      {taxon && <OtherNames taxon={taxon} />}
      {taxon && <Hazards taxon={taxon} />}
      {taxon?.note && <TermText guide={guide} text={taxon.note} />}
    </Stack>
  );
}

/** The scores as sentences, in the order of work; terms open in place. */
function Description({ guide, compiled, form }: { guide: Guide; compiled: CompiledGuide; form: number }) {
  const apart = useMemo(() => apartFrom(compiled, compiled.forms[form].id), [compiled, form]);
  return (
    <Card title="Description" aside="made from the scores">
      {apart && <Typeset parts={apart} testID="apart" />}
      <Row gap="xl" lineGap="m">
        {describeForm(compiled, form).map(({ group, sentences }) => (
          <Stack key={group} gap="xs" fill={320} most="all">
            <Text size="small" strong color={colour.kelp}>
              {GROUPS.find((one) => one.group === group)!.label}
            </Text>
            <TermText guide={guide} text={sentences.join(' ')} />
          </Stack>
        ))}
      </Row>
    </Card>
  );
}
