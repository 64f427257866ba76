import type { Offer } from '@plesion/contract/sharing';
import { useQuery } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { sayDate } from '../../lib/dates';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { FirstOf } from '../../ui/FirstOf';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Failed } from '../../ui/states';
import { Text } from '../../ui/Text';
import { useSession } from '../session/useSession';
import { sharingApi } from './sharingApi';
import { useTakeOffer } from './useTakeOffer';

/** What the other stations of this server offer, each to be imported by one press; nothing where they offer nothing. */
export function OffersSheet() {
  const offers = useQuery({ queryKey: ['offers'], queryFn: ({ signal }) => sharingApi('offers', {}, signal) });
  const take = useTakeOffer();
  const may = useSession().account.role !== 'learner';
  const all = offers.data?.offers ?? [];
  if (all.length === 0) return null;
  return (
    <Card title="Offered by other stations" aside={`${all.length}`}>
      {take.error && <Failed error={take.error} />}
      <FirstOf of={all} keyOf={({ station, id }) => `${station} ${id}`}>
        {(offer) => (
          <OneOffer
            offer={offer}
            may={may}
            busy={take.isPending && take.variables.id === offer.id && take.variables.station === offer.station}
            onTake={() => take.mutate(offer)}
          />
        )}
      </FirstOf>
    </Card>
  );
}

interface OneOfferProps {
  offer: Offer;
  /** May whoever looks take it in? */
  may: boolean;
  busy: boolean;
  onTake: () => void;
}

function OneOffer({ offer, may, busy, onTake }: OneOfferProps) {
  const router = useRouter();
  const { id, title, from, by, at, version, forms, characters, keys, summary, here } = offer;
  const newest = here !== undefined && here >= version;
  return (
    <Row gap="m" align="center">
      <Stack gap="hair" fill={240}>
        <Text strong>{title}</Text>
        <Text size="small" quiet>
          {`“${from}”, ${by}, ${sayDate(at.slice(0, 10))} · ${forms} forms · ${characters} characters${keys ? ` · ${keys} ${keys === 1 ? 'key' : 'keys'}` : ''} · version ${version}`}
        </Text>
        <Text size="small" numberOfLines={3}>
          {summary}
        </Text>
      </Stack>
      {newest ? (
        <Button
          small
          kind="quiet"
          label="It is here"
          hint={`It is here: ${title}`}
          onPress={() => router.push(`/guides/${id}`)}
        />
      ) : may ? (
        <Button
          small
          label={here === undefined ? 'Import it' : `Import version ${version}`}
          hint={`${here === undefined ? 'Import it' : `Import version ${version}`}: ${title}`}
          busy={busy}
          onPress={onTake}
        />
      ) : null}
    </Row>
  );
}
