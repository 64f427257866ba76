import type { Standing } from '@plesion/core/evidence';
import { inHundred, type Level } from '@plesion/core/evidence';
import { type Guide, RANKS } from '@plesion/core/guide';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Notice } from '../../ui/Notice';
import { Card } from '../../ui/Card';
import { TaxonName } from '../../ui/TaxonName';
import { Text } from '../../ui/Text';
import { Bar } from '../../ui/Bar';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';

interface LeadersSheetProps {
  guide: Guide;
  answer: Standing;
  level?: Level;
  onLevel: (level: Level | undefined) => void;
}

const keyOf = (level: Level) => (level.kind === 'rank' ? level.rank : level.facet);
const MOST = 6;

/** The standing rolled up: taxa of the level in question, then sex, stage and morph. */
export function LeadersSheet({ guide, answer, level, onLevel }: LeadersSheetProps) {
  const levels = levelsOf(guide);
  const shown = answer.level;
  return (
    <Card title="How it stands" aside={`outside the guide: ${inHundred(answer.outside)}`}>
      <ChoiceGroup
        label="Level"
        hideLabel
        options={levels.map((l) => ({ id: keyOf(l), label: keyOf(l) }))}
        chosen={level ? [keyOf(level)] : []}
        clearable
        onChange={([id]) => onLevel(levels.find((l) => keyOf(l) === id))}
      />
      <Stack>
        {rowsAt(guide, answer, shown)
          .slice(0, MOST)
          .map((row) => (
            <LeaderRow key={row.id} guide={guide} row={row} />
          ))}
      </Stack>
      <Stack gap="hair">
        {answer.facets.map(({ facet, values }) => (
          <Text key={facet} size="small">
            <Text size="small" quiet>{`${facet}: `}</Text>
            {values
              .filter(({ p }) => p >= 0.01)
              .map(({ label, p }) => `${label} ${inHundred(p)}`)
              .join(' · ')}
          </Text>
        ))}
      </Stack>
      {answer.mapOnly && (
        <Notice kind="note">
          {`Only the place, date and numbers put this first: by the characters alone it would be ${answer.mapOnly.label}.`}
        </Notice>
      )}
    </Card>
  );
}

/** Ranks with more than one taxon, then the facets. */
function levelsOf(guide: Guide): Level[] {
  const ranks = [...new Set(guide.taxa.map((taxon) => taxon.rank))].filter(
    (rank) => guide.taxa.filter((taxon) => taxon.rank === rank).length > 1,
  );
  const facets = (Object.keys(guide.facets) as (keyof Guide['facets'])[]).map((facet): Level => ({ kind: 'facet', facet }));
  return [...ranks.map((rank): Level => ({ kind: 'rank', rank })), ...facets];
}

interface Row {
  id: string;
  taxon?: string;
  label: string;
  p: number;
}

function rowsAt(guide: Guide, answer: Standing, level: Level): Row[] {
  if (level.kind === 'facet') {
    return (answer.facets.find(({ facet }) => facet === level.facet)?.values ?? []).map(({ value, label, p }) => ({
      id: value,
      label,
      p,
    }));
  }
  const atRank = answer.taxa.filter((taxon) => taxon.rank === level.rank);
  // A species without subspecies stands beside the subspecies of the others.
  const beside = answer.taxa.filter(
    (taxon) => RANKS.indexOf(taxon.rank) < RANKS.indexOf(level.rank) && guide.taxa.some((t) => t.id === taxon.taxon && t.forms),
  );
  return [...atRank, ...beside].sort((a, b) => b.p - a.p).map(({ taxon, name, p }) => ({ id: taxon, taxon, label: name, p }));
}

function LeaderRow({ guide, row }: { guide: Guide; row: Row }) {
  return (
    <Stack gap="hair" accessibilityLabel={`${row.label}, ${inHundred(row.p)}`}>
      <Row align="baseline" justify="between" oneLine gap="none">
        {row.taxon ? <TaxonName guide={guide} taxon={row.taxon} short size={16} /> : <Text>{row.label}</Text>}
        <Text size="small" strong>
          {inHundred(row.p)}
        </Text>
      </Row>
      <Bar part={row.p} />
    </Stack>
  );
}
