import { conditionsOf, disputedForms, hidesOf, type Holder, holdersOf } from '@plesion/core/book';
import { scoredOf } from '@plesion/core/compare';
import { type Character, type CompiledGuide, type Guide, isValue, sayFacets } from '@plesion/core/guide';
import { StyleSheet, View } from 'react-native';
import { colour } from '../../theme';
import { Box } from '../../ui/Box';
import { LinkBox } from '../../ui/LinkBox';
import { Notice } from '../../ui/Notice';
import { Screen } from '../../ui/Screen';
import { Card } from '../../ui/Card';
import { TaxonName } from '../../ui/TaxonName';
import { PageHeading } from '../../ui/PageHeading';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { TermText } from '../glossary/TermText';
import { compiledOf } from '../records/compiled';
import { WithGuide } from '../records/WithGuide';
import { hasTile, StateTile } from '../plates/StateTile';

/** One character: its states drawn, who has what, how far it can be trusted, what hides it. */
export function CharacterPage({ id, characterId }: { id: string; characterId: string }) {
  return (
    <WithGuide id={id} what="The character">
      {({ guide }) => {
        const character = guide.characters.find((one) => one.id === characterId);
        return character ? (
          <About id={id} guide={guide} character={character} />
        ) : (
          <Screen>
            <Notice kind="problem">{`There is no character “${characterId}” in this guide.`}</Notice>
          </Screen>
        );
      }}
    </WithGuide>
  );
}

function About({ id, guide, character }: { id: string; guide: Guide; character: Character }) {
  const compiled = compiledOf(guide);
  return (
    <Screen widest={980}>
      <View>
        <PageHeading>{character.label}</PageHeading>
        <Text quiet>{guide.title}</Text>
      </View>
      {character.help && <TermText guide={guide} text={character.help} size="lead" />}
      <Trust compiled={compiled} character={character} />
      {isValue(character) ? (
        <Ranges id={id} compiled={compiled} character={character} />
      ) : (
        <States id={id} compiled={compiled} character={character} />
      )}
    </Screen>
  );
}

/** How reliably it is read, what it needs, how famous it is beside what it is worth. */
function Trust({ compiled, character }: { compiled: CompiledGuide; character: Character }) {
  const { settings } = compiled.guide;
  const rho = Math.round((character.reliability ?? settings.reliability) * 100);
  const disputed = disputedForms(compiled, character.id);
  const hides = hidesOf(compiled.guide, character);
  const lines = [
    isValue(character)
      ? `One careful measurement errs by about ${character.error ?? 0}${character.unit ? ` ${character.unit}` : ''}.`
      : `A careful eye reads it right ${rho} times in 100.`,
    `Seen ${conditionsOf(compiled, character).join('; ')}.`,
    ...(hides.length ? [`What hides or changes it: ${hides.join('; ')}.`] : []),
    ...((character.fame ?? 0) >= 0.6 ? ['Many trust it. See below how many share it.'] : []),
    ...(disputed ? [`The sources contradict each other on ${disputed} ${disputed === 1 ? 'form' : 'forms'}.`] : []),
  ];
  return (
    <Card title="How far to trust it">
      {lines.map((line) => (
        <Text key={line} size="small">
          {line}
        </Text>
      ))}
    </Card>
  );
}

function States({ id, compiled, character }: { id: string; compiled: CompiledGuide; character: Character }) {
  const { guide } = compiled;
  const label = (state: string) => character.states?.find((one) => one.id === state)?.label ?? state;
  return holdersOf(compiled, character.id)
    .filter(({ holders }) => character.states || holders.length > 0)
    .map(({ state, holders }) => {
      const help = character.states?.find((one) => one.id === state)?.help;
      return (
        <Card key={state}>
          <Row gap="l">
            {hasTile(guide, character, state) && (
              <Box self="start" pad="xs" ruled="round" ruledIn="hairline" round="m" tone="paper">
                <StateTile guide={guide} character={character} state={state} size={112} label={label(state)} />
              </Box>
            )}
            <Stack gap="hair" fill least={220}>
              <Text size="lead" strong heading={2}>
                {label(state)}
              </Text>
              {help && <TermText guide={guide} text={help} size="small" />}
              {holders.length === 0 && (
                <Text size="small" quiet>
                  No taxon of this guide shows it often.
                </Text>
              )}
              {holders.map((holder) => (
                <HolderRow key={holder.taxon} id={id} compiled={compiled} holder={holder} />
              ))}
            </Stack>
          </Row>
        </Card>
      );
    });
}

/** How often a taxon shows a state, as a bar from its least to its most among forms. */
function HolderRow({ id, compiled, holder: { taxon, least, most } }: { id: string; compiled: CompiledGuide; holder: Holder }) {
  const form = compiled.forms.find((one) => one.taxon === taxon)!.id;
  const [low, high] = [least, most].map((p) => Math.round(p * 100));
  return (
    <LinkBox
      testID={`holder ${taxon}`}
      href={{ pathname: '/guides/[id]/form', params: { id, form } }}
      gap="s"
      align="center"
      leastTall={36}
      across
      oneLine
    >
      <Box wide={116}>
        <TaxonName guide={compiled.guide} taxon={taxon} size={15} short lines={1} />
      </Box>
      <Box fill clip tall={12} round="s" tone="kelpWash">
        <View style={[styles.most, { width: `${most * 100}%` }]} />
        <View style={[styles.least, { width: `${least * 100}%` }]} />
      </Box>
      <Text size="small" figures wide={52} set="right">
        {low === high ? high : `${low}–${high}`}
      </Text>
    </LinkBox>
  );
}

/** What every form measures, on one axis. */
function Ranges({ id, compiled, character }: { id: string; compiled: CompiledGuide; character: Character }) {
  const table = compiled.tables.get(character.id)!;
  const rows = compiled.forms.flatMap((form, f) => {
    const scored = form.cross ? null : scoredOf(table, f);
    return scored?.kind === 'values' ? [{ form, ...scored }] : [];
  });
  const least = Math.min(...rows.map(({ low }) => low));
  const most = Math.max(...rows.map(({ high }) => high));
  const place = (x: number) => (100 * (x - least)) / (most - least || 1);
  return (
    <Card title="What each form measures" aside={character.unit}>
      {rows.map(({ form, low, high }) => (
        <LinkBox
          key={form.id}
          href={{ pathname: '/guides/[id]/form', params: { id, form: form.id } }}
          gap="s"
          align="center"
          leastTall={36}
          across
          oneLine
        >
          <Box wide={150}>
            <TaxonName guide={compiled.guide} taxon={form.taxon} size={15} short lines={1} />
            <Text size="small" quiet numberOfLines={1}>
              {sayFacets(compiled.guide, form.facets)}
            </Text>
          </Box>
          <Box fill clip tall={12} round="s" tone="kelpWash">
            <View style={[styles.range, { left: `${place(low)}%`, width: `${place(high) - place(low)}%` }]} />
          </Box>
          <Text size="small" figures wide={92} set="right">
            {`${Number(low.toPrecision(3))}–${Number(high.toPrecision(3))}`}
          </Text>
        </LinkBox>
      ))}
    </Card>
  );
}

const styles = StyleSheet.create({
  most: { position: 'absolute', height: 12, backgroundColor: colour.forTint },
  least: { position: 'absolute', height: 12, backgroundColor: colour.for },
  range: { position: 'absolute', height: 12, borderRadius: 6, backgroundColor: colour.for },
});
