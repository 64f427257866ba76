import { sayOtherName, type Taxon } from '@plesion/core/guide';
import { colour } from '../../theme';
import { Notice } from '../../ui/Notice';
import { Text } from '../../ui/Text';

/** Former names, nicknames and names that mislead, each said for what it is. */
export function OtherNames({ taxon }: { taxon: Taxon }) {
  return taxon.names?.map(({ name, kind, note }) => (
    <Text key={name} size="small" quiet>
      <Text size="small" strong color={kind === 'misleading' ? colour.against : colour.quiet}>
        {`“${name}”`}
      </Text>
      {` is ${sayOtherName(kind)} it.${note ? ` ${note}` : ''}`}
    </Text>
  ));
}

/** What a taxon can do, and the law that protects it. */
export function Hazards({ taxon }: { taxon: Taxon }) {
  const said = [...(taxon.hazards ?? []).map(({ text }) => text), taxon.legal].filter(Boolean);
  if (said.length === 0) return null;
  const grave = taxon.hazards?.some(({ grade }) => grade !== 'slight');
  return (
    <Notice kind="caution" title={grave ? 'Dangerous' : 'Take care'}>
      {said.join(' ')}
    </Notice>
  );
}
