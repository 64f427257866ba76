import { urlOf } from '@plesion/contract';
import { type CompiledGuide, facetsAgree, isUnder, sayFacets } from '@plesion/core/guide';
import type { VerifiedPhoto } from '@plesion/core/practice';
import { VERIFICATION_WORDS } from '@plesion/core/verification';
import { useQuery } from '@tanstack/react-query';
import { Card } from '../../ui/Card';
import { LinkBox } from '../../ui/LinkBox';
import { Photo } from '../../ui/Photo';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { photosQuery } from '../records/practiceAnswers';

interface GalleryProps {
  id: string;
  compiled: CompiledGuide;
  form: number;
}

/** The station's photographs of a form, of specimens of which it is known what they were: by the view that they show. */
export function Gallery({ id, compiled, form: at }: GalleryProps) {
  const { guide, forms } = compiled;
  const form = forms[at];
  const found = useQuery(photosQuery(id));
  const own =
    found.data?.photos.filter(({ taxon, facets }) => isUnder(guide, form.taxon, taxon) && facetsAgree(form.facets, facets)) ?? [];
  if (own.length === 0) return null;
  const views = [...guide.views, { id: undefined, label: 'view not said' }];
  return (
    <Card title="Photographs of our own" aside={own.length === 1 ? 'one' : String(own.length)}>
      <Text quiet size="small">
        Of specimens of which it is known what they were: what this form can look like.
      </Text>
      {views.map(({ id: view, label }) => {
        const some = own.filter((photo) => photo.view === view);
        return some.length === 0 ? null : (
          <Stack key={label} gap="xs">
            <Text size="small" strong>
              {label}
            </Text>
            <Row>
              {some.map((photo) => (
                <Shown key={photo.hash} photo={photo} said={`${label}: ${sayKnown(compiled, photo)}`} />
              ))}
            </Row>
          </Stack>
        );
      })}
    </Card>
  );
}

/** What is known of one, and by what. */
const sayKnown = ({ guide }: CompiledGuide, { facets, kind }: VerifiedPhoto): string =>
  [sayFacets(guide, facets), `known by ${VERIFICATION_WORDS[kind]}`].filter(Boolean).join(', ');

const Shown = ({ photo: { specimenId, hash }, said }: { photo: VerifiedPhoto; said: string }) => (
  <LinkBox href={`/specimens/${specimenId}`} round="m" label={said}>
    <Photo
      source={{ uri: urlOf('photo', { params: { hash }, query: { size: 'thumb' } }) }}
      wide={150}
      tall={108}
      round="m"
      tone="mist"
    />
  </LinkBox>
);
