import type { Review } from '@plesion/contract/review';
import type { Guide } from '@plesion/core/guide';
import type { Determination } from '@plesion/core/specimen';
import { useQuery } from '@tanstack/react-query';
import { useWindowDimensions, View } from 'react-native';
import { sayDate } from '../../lib/dates';
import { colour, space } from '../../theme';
import { Card } from '../../ui/Card';
import { Stack } from '../../ui/Stack';
import { Failed } from '../../ui/states';
import { Text } from '../../ui/Text';
import { Typeset } from '../../ui/Typeset';
import { namedParts, phrase } from '../records/namedParts';
import { drawnViews, formPlate } from '../plates/plates';
import { PlateSheet } from '../plates/PlateSheet';
import { reviewApi, reviewsOf } from './reviewApi';
import { viewLabel } from './saidParts';

interface ReviewsSheetProps {
  specimenId: string;
  guide: Guide;
  determinations: readonly Determination[];
  /** The most probable form: by it a view that is wanted is drawn. */
  form?: string;
}

/** What reviewers said of a specimen's names, and the view they need; nothing where nobody said anything. */
export function ReviewsSheet({ specimenId, guide, determinations, form }: ReviewsSheetProps) {
  const found = useQuery({
    queryKey: reviewsOf(specimenId),
    queryFn: ({ signal }) => reviewApi('reviews', { query: { specimenId } }, signal),
  });
  // Who passes a record on says nothing of it.
  const said = found.data?.reviews.filter(({ word, withdrawn }) => word !== 'pass' && !withdrawn) ?? [];
  if (found.error)
    return (
      <Card title="Reviewed">
        <Failed error={found.error} retry={() => void found.refetch()} />
      </Card>
    );
  if (said.length === 0) return null;
  return (
    <Card title="Reviewed">
      {said.map((review) => (
        <Said key={review.id} review={review} guide={guide} determinations={determinations} form={form} />
      ))}
    </Card>
  );
}

function Said({ review, guide, determinations, form }: { review: Review } & Omit<ReviewsSheetProps, 'specimenId'>) {
  const { by, at, word, note, view, writtenSince, name } = review;
  const width = Math.min(300, useWindowDimensions().width - 80);
  const of = determinations.find(({ id }) => id === review.determination);
  const wanted = word === 'view' && !writtenSince;
  const plate =
    wanted && form && drawnViews(guide).some(({ id }) => id === view) ? formPlate(guide, form, view!, 'full') : undefined;
  const says =
    word === 'agree'
      ? phrase(`${by} agrees`, ...(of ? [': ', namedParts(guide, of)] : []), '.')
      : word === 'name'
        ? phrase(`${by} named it `, namedParts(guide, name!), '.')
        : phrase(`${by} ${wanted ? 'needs' : 'asked for'} another view: ${viewLabel(guide, view)}.`);
  return (
    <Stack>
      <Typeset strong={wanted} color={wanted ? colour.hazard : undefined} parts={says} />
      {note && <Text>{note}</Text>}
      <Text size="small" quiet>
        {sayDate(at, 'minute')}
      </Text>
      {wanted && <Text size="small">Add a photo of it above, or change the record: it goes back to the reviewer then.</Text>}
      {plate && (
        <View style={{ width: width + 2 * space.s }}>
          <PlateSheet
            plate={plate}
            width={width}
            label={`The view that is wanted, ${viewLabel(guide, view)}`}
            caption={`wanted: ${viewLabel(guide, view)}`}
          />
        </View>
      )}
    </Stack>
  );
}
