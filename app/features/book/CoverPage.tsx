import { addressOf, type StoredGuide, urlOf } from '@plesion/contract';
import { sharingEndpoints } from '@plesion/contract/endpoints/sharing';
import { formsOf, type Guide } from '@plesion/core/guide';
import { useRouter } from 'expo-router';
import { useWindowDimensions, View } from 'react-native';
import { colour, space, useWide } from '../../theme';
import { Button } from '../../ui/Button';
import { DownloadButton } from '../../ui/DownloadButton';
import { Notice } from '../../ui/Notice';
import { Screen } from '../../ui/Screen';
import { Card } from '../../ui/Card';
import { TaxonName } from '../../ui/TaxonName';
import { PageHeading } from '../../ui/PageHeading';
import { Text } from '../../ui/Text';
import { BookletCard } from '../booklet/BookletCard';
import { emblems } from '../plates/emblems';
import { JudgingSheet } from './JudgingSheet';
import { WithGuide } from '../records/WithGuide';
import { KeysSheet } from '../keys/KeysSheet';
import { LearnedSheet } from '../learn/LearnedSheet';
import { drawnViews, formPlate, mainView } from '../plates/plates';
import { PlateView } from '../plates/PlateView';
import { SharingCard } from '../sharing/SharingCard';
import { WithdrawnNotice } from '../sharing/WithdrawnNotice';
import { BookSearch } from './BookSearch';
import { Columns } from '../../ui/Columns';
import { LinkBox } from '../../ui/LinkBox';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';

/** The cover of a guide: what it is about, drawn, and the ways into it. */
export function CoverPage({ id }: { id: string }) {
  return (
    <WithGuide id={id} what="The guide">
      {(stored) => <Cover id={id} stored={stored} />}
    </WithGuide>
  );
}

function Cover({ id, stored: { guide, version, cautions } }: { id: string; stored: StoredGuide }) {
  const router = useRouter();
  return (
    <Screen
      widest={1080}
      foot={
        <Row justify="end">
          <Button kind="main" label="Name a specimen with it" onPress={() => router.push(`/specimens/new?guide=${id}`)} />
        </Row>
      }
    >
      <WithdrawnNotice guideId={id} />
      <Columns gap="l">
        <Frontispiece guide={guide} />
        <Stack fill>
          <PageHeading>{guide.title}</PageHeading>
          <Text quiet>{`${guide.area} · version ${version}`}</Text>
          <Text size="lead">{guide.summary}</Text>
          <Ways id={id} guide={guide} />
        </Stack>
      </Columns>
      <Notice kind="caution" title="Take care">
        {guide.caution}
      </Notice>
      {guide.learned && <LearnedSheet learned={guide.learned} />}
      <BookSearch guides={[{ id, guide }]} />
      <KeysSheet guideId={id} />
      <JudgingSheet id={id} guide={guide} version={version} />
      {cautions && <NotOnPlates cautions={cautions} />}
      <Card title="Sources">
        {guide.sources.map((source) => (
          <View key={source.id}>
            <Text strong size="small">
              {source.label}
            </Text>
            <Text size="small" quiet>
              {source.citation}
            </Text>
          </View>
        ))}
        <Row align="center">
          <Button small kind="quiet" label="What our own records say" onPress={() => router.push(`/guides/${id}/own`)} />
        </Row>
      </Card>
      <BookletCard id={id} />
      <SharingCard guideId={id} />
      <Row align="center">
        <Button small label="Versions" hint="Versions of this guide" onPress={() => router.push(`/guides/${id}/versions`)} />
        <DownloadButton
          label="Plesion JSON"
          hint="Download this guide as Plesion JSON"
          url={() => urlOf('exportGuide', { params: { id } })}
        />
        {guide.figures?.length ? (
          <DownloadButton
            label="With its photographs"
            hint="With its photographs: download this guide to import it elsewhere"
            url={() => addressOf(sharingEndpoints.carryGuide, { params: { id } })}
          />
        ) : null}
      </Row>
    </Screen>
  );
}

/** For its author: what of the guide the plates of its body plan cannot show. */
function NotOnPlates({ cautions }: { cautions: NonNullable<StoredGuide['cautions']> }) {
  return (
    <Card title="Not shown on its plates" aside={String(cautions.length)}>
      {cautions.slice(0, 12).map(({ field, message }) => (
        <Text key={`${field} ${message}`} size="small">
          {message}
        </Text>
      ))}
      {cautions.length > 12 && <Text size="small" quiet>{`and ${cautions.length - 12} more`}</Text>}
    </Card>
  );
}

/** One form of each kind with its name below: the plate opposite the title. */
function Frontispiece({ guide }: { guide: Guide }) {
  const screen = useWindowDimensions().width;
  const wide = useWide();
  const shown = emblems(guide).slice(0, 6);
  const view = mainView(guide);
  if (view === '') return null;
  const room = wide ? 440 : Math.min(screen - 48, 460);
  const width = room / 2 - space.s;
  return (
    <Row
      justify="center"
      pad="m"
      ruled="round"
      ruledIn="hairline"
      round="l"
      tone="paper"
      style={wide && { width: room + 2 * space.m }}
    >
      {shown.map((form) => {
        const plate = formPlate(guide, form.id, view, 'thumb');
        return (
          plate && (
            <Stack key={form.id} gap="hair" align="center" style={{ width }}>
              <PlateView
                plate={plate}
                width={width - space.s}
                height={wide ? 96 : 76}
                label={guide.taxa.find(({ id }) => id === form.taxon)?.name}
              />
              <TaxonName guide={guide} taxon={form.taxon} size={14} short lines={1} />
            </Stack>
          )
        );
      })}
    </Row>
  );
}

interface Way {
  href: {
    pathname: `/guides/[id]/${'wall' | 'taxa' | 'characters' | 'compare' | 'words' | 'practice'}`;
    params: { id: string };
  };
  label: string;
  says: string;
}

function Ways({ id, guide }: { id: string; guide: Guide }) {
  const params = { id };
  const forms = formsOf(guide).filter(({ cross }) => !cross).length;
  const ways: Way[] = [
    ...(drawnViews(guide).length
      ? [
          {
            href: { pathname: '/guides/[id]/wall' as const, params },
            label: 'Plate wall',
            says: `${forms} forms drawn; touch a part to narrow them`,
          },
          {
            href: { pathname: '/guides/[id]/practice' as const, params },
            label: 'Practice',
            says: 'individuals drawn anew; tell them, and see why',
          },
        ]
      : []),
    {
      href: { pathname: '/guides/[id]/taxa', params },
      label: 'Taxa',
      says: `${guide.taxa.length} names, and what else they were called`,
    },
    {
      href: { pathname: '/guides/[id]/characters', params },
      label: 'Characters',
      says: `${guide.characters.length} characters: who has what, how reliable`,
    },
    {
      href: { pathname: '/guides/[id]/compare' as const, params },
      label: 'Compare',
      says: 'two to four forms side by side, drawn alike',
    },
    ...(guide.glossary?.length
      ? [
          {
            href: { pathname: '/guides/[id]/words' as const, params },
            label: 'Glossary',
            says: `${guide.glossary.length} terms, drawn`,
          },
        ]
      : []),
  ];
  return (
    <Row padTop="s">
      {ways.map(({ href, label, says }) => (
        <LinkBox key={label} href={href} fill={150} pad="m" ruled="round" ruledIn="hairline" round="m" tone="sheet">
          <Text strong color={colour.kelp}>
            {label}
          </Text>
          <Text size="small" quiet>
            {says}
          </Text>
        </LinkBox>
      ))}
    </Row>
  );
}
