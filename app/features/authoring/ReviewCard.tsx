import type { DraftReview, DraftReviews } from '@plesion/contract/authoring';
import { isAtLeast } from '@plesion/contract/roles';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { View } from 'react-native';
import { z } from 'zod';
import { sayDate } from '../../lib/dates';
import { useKeptState } from '../../lib/useKeptState';
import { colour } from '../../theme';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { FirstOf } from '../../ui/FirstOf';
import { Row } from '../../ui/Row';
import { Failed, Loading } from '../../ui/states';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
import { useSession } from '../session/useSession';
import { authoringApi } from './authoringApi';

interface Props {
  id: string;
  version: number;
}

/** Is the last word on a draft that it is fit, and is it still what was looked at? */
export const isReviewed = ({ reviews }: DraftReviews, version: number): boolean =>
  reviews[0]?.fit === true && reviews[0].version === version;

export const useReviews = (id: string) =>
  useQuery({
    queryKey: ['draft', id, 'reviews'],
    queryFn: ({ signal }) => authoringApi('draftReviews', { params: { id } }, signal),
  });

/** What somebody who did not write in the draft says of it: fit to be published, or what is to be changed first. */
export function ReviewCard({ id, version }: Props) {
  const found = useReviews(id);
  const { name, role } = useSession().account;
  if (found.error) return <Failed error={found.error} retry={() => void found.refetch()} />;
  if (!found.data) return <Loading what="What was said of the draft" />;
  const { reviews, writers } = found.data;
  const mine = writers.includes(name);
  const may = !mine && isAtLeast(role, 'reviewer');
  return (
    <Card
      title="Reviewed by somebody else"
      aside={reviews.length === 0 ? undefined : isReviewed(found.data, version) ? 'fit as it is' : 'not as it is now'}
    >
      {reviews.length === 0 && (
        <Text quiet>
          Nobody has looked it over. It can be published without; its versions then say so.
          {mine && ' You wrote in it: it is for another reviewer of the station.'}
        </Text>
      )}
      <FirstOf of={reviews} keyOf={({ n }) => String(n)} first={3} what="reviews">
        {(review) => <OneReview review={review} version={version} />}
      </FirstOf>
      {may && <Say id={id} version={version} />}
    </Card>
  );
}

function OneReview({ review: { by, at, fit, words, version }, version: now }: { review: DraftReview; version: number }) {
  const since = now - version;
  return (
    <View>
      <Text strong color={fit ? colour.kelp : colour.hazard}>
        {`${fit ? 'Fit to be published' : 'Not yet'}: ${by}, ${sayDate(at.slice(0, 10))}`}
      </Text>
      {words !== '' && <Text>{words}</Text>}
      {since > 0 && (
        <Text size="small" quiet>
          {since === 1 ? 'It was changed once since.' : `It was changed ${since} times since.`}
        </Text>
      )}
    </View>
  );
}

/** As it is written; kept over a reload. */
const Typed = z.object({ words: z.string() });

function Say({ id, version }: Props) {
  const client = useQueryClient();
  const [{ words }, change, forget] = useKeptState(`review.${id}`, Typed, { words: '' });
  const say = useMutation({
    mutationFn: (fit: boolean) => authoringApi('reviewDraft', { params: { id }, body: { version, fit, words } }),
    onSuccess: (next) => {
      change({ words: '' });
      forget();
      client.setQueryData(['draft', id, 'reviews'], next);
    },
  });
  return (
    <>
      {say.error && <Failed error={say.error} />}
      <TextField
        label="What you say of it"
        value={words}
        multiline
        maxLength={2000}
        onChangeText={(text) => change({ words: text })}
      />
      <Row>
        <Button
          label="It is fit"
          hint="It is fit to be published"
          busy={say.isPending && say.variables}
          onPress={() => say.mutate(true)}
        />
        <Button
          label="Not yet"
          hint={words.trim() ? 'Not yet: what is to be changed is said above' : 'Not yet; say first what is to be changed'}
          disabled={words.trim() === ''}
          busy={say.isPending && !say.variables}
          onPress={() => say.mutate(false)}
        />
      </Row>
    </>
  );
}
