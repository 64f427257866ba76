import { type Hit, searchGuide } from '@plesion/core/book';
import { type Guide, sayOtherName } from '@plesion/core/guide';
import { useDeferredValue } from 'react';
import { useAddress } from '../../lib/useAddress';
import { colour } from '../../theme';
import { Box } from '../../ui/Box';
import { LinkBox } from '../../ui/LinkBox';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { TextField } from '../../ui/TextField';
import { TaxonName } from '../../ui/TaxonName';
import { Text } from '../../ui/Text';

const MOST = 10;

interface InGuide {
  id: string;
  guide: Guide;
}

/** Any word leads to the right page: names of every kind, characters and their states, words of the glossary, sources. */
export function BookSearch({ guides }: { guides: readonly InGuide[] }) {
  const [{ find: text = '' }, setAddress] = useAddress(['find']);
  const wanted = useDeferredValue(text);
  const found = guides.flatMap((own) => searchGuide(own.guide, wanted).map((hit) => ({ hit, own })));
  const several = guides.length > 1;
  return (
    <Stack>
      <TextField
        label="Find by any name"
        value={text}
        onChangeText={(find) => setAddress({ find })}
        placeholder="a name of any kind, a character, a word"
      />
      {wanted.trim() !== '' && (
        <Text size="small" quiet role="status">
          {found.length === 0 ? 'Nothing here has that name. Try fewer letters.' : `${found.length} found`}
        </Text>
      )}
      {found.slice(0, MOST).map(({ hit, own }) => (
        <Result key={`${own.id} ${hit.kind} ${hit.id}`} hit={hit} own={own} several={several} />
      ))}
      {found.length > MOST && <Text size="small" quiet>{`and ${found.length - MOST} more: add a letter`}</Text>}
    </Stack>
  );
}

/** Where a hit leads. */
function pathOf(hit: Hit, id: string) {
  switch (hit.kind) {
    case 'taxon':
      return hit.form && ({ pathname: '/guides/[id]/form', params: { id, form: hit.form } } as const);
    case 'character':
      return { pathname: '/guides/[id]/character', params: { id, character: hit.id } } as const;
    case 'term':
      return { pathname: '/guides/[id]/words', params: { id, term: hit.id } } as const;
    case 'source':
      return { pathname: '/guides/[id]', params: { id } } as const;
  }
}

const KINDS: Record<Hit['kind'], string> = { taxon: 'name', character: 'character', term: 'word', source: 'source' };

function Result({ hit, own: { id, guide }, several }: { hit: Hit; own: InGuide; several: boolean }) {
  const path = pathOf(hit, id);
  const by = hit.kind === 'taxon' ? hit.by.by : (hit.by ?? hit.label);
  const said = (
    <>
      <Box fill>
        {hit.kind === 'taxon' ? <TaxonName guide={guide} taxon={hit.id} size={18} /> : <Text strong>{hit.label}</Text>}
        <Text size="small" quiet>
          {[sayHow(hit), several && guide.group].filter(Boolean).join(' · ')}
        </Text>
      </Box>
      <Text size="small" color={colour.kelp}>
        {KINDS[hit.kind]}
      </Text>
    </>
  );
  return path ? (
    <LinkBox
      href={path}
      label={`${hit.label}, found as ${by}`}
      gap="m"
      align="center"
      padX="m"
      padY="s"
      ruled="round"
      ruledIn="hairline"
      round="m"
      tone="sheet"
      across
      oneLine
    >
      {said}
    </LinkBox>
  ) : (
    <Row gap="m" align="center" padX="m" padY="s" ruled="round" ruledIn="hairline" touch round="m" tone="sheet" oneLine>
      {said}
    </Row>
  );
}

function sayHow(hit: Hit): string {
  if (hit.kind !== 'taxon') return hit.by ? `found as “${hit.by}”` : '';
  const { kind, by, note } = hit.by;
  if (kind === 'name') return '';
  return kind === 'vernacular' ? by : `“${by}” is ${sayOtherName(kind)} it.${note ? ` ${note}` : ''}`;
}
