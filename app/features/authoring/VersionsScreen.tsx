import type { GuideVersions } from '@plesion/contract/guideVersions';
import { useQuery } from '@tanstack/react-query';
import { useCallback } from 'react';
import { sayDate } from '../../lib/dates';
import { useAddress } from '../../lib/useAddress';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { PageHeading } from '../../ui/PageHeading';
import { Screen } from '../../ui/Screen';
import { Failed, Loading } from '../../ui/states';
import { Text } from '../../ui/Text';
import { authoringApi } from './authoringApi';
import { ChangesCards } from './ChangesCards';
import { versionOf } from './guideVersion';
import { NamesTriedCard } from './NamesTriedCard';

/** The versions of a guide: in what each differs from the one before it, and what the newest says of what was named. */
export function VersionsScreen({ id }: { id: string }) {
  const found = useQuery({
    queryKey: ['guide', id, 'versions'],
    queryFn: ({ signal }) => authoringApi('guideVersions', { params: { id } }, signal),
  });
  return (
    <AsyncScreen what="The versions" value={found.data} error={found.error} retry={() => void found.refetch()}>
      {({ versions }) => <Versions id={id} versions={versions} />}
    </AsyncScreen>
  );
}

type Version = GuideVersions['versions'][number];

function Versions({ id, versions }: { id: string; versions: readonly Version[] }) {
  const [address, setAddress] = useAddress(['of', 'than'], 0);
  const newest = versions[0].version;
  const known = (text: string | undefined) => versions.find(({ version }) => String(version) === text)?.version;
  const of = known(address.of) ?? newest;
  const than = known(address.than) ?? versions.find(({ version }) => version < of)?.version;
  const after = useQuery(versionOf(id, of));
  const before = useQuery(versionOf(id, than));
  const ask = useCallback(
    (behind: string | undefined, signal: AbortSignal) =>
      authoringApi('tryNames', { params: { id }, query: { after: behind } }, signal),
    [id],
  );
  const shown = versions.find(({ version }) => version === of)!;
  const options = versions.map((one) => ({ id: String(one.version), label: sayVersion(one) }));
  return (
    <Screen>
      <PageHeading>{after.data ? `Versions: ${after.data.guide.title}` : 'Versions'}</PageHeading>
      <Text quiet>Each version is kept for good. A record stays on the one it was named with.</Text>
      <Card title={versions.length === 1 ? 'One version' : `${versions.length} versions`}>
        <ChoiceGroup
          label="Look at"
          options={options}
          chosen={[String(of)]}
          onChange={([next]) => setAddress({ of: next, than: undefined })}
        />
        <Text quiet>{sayReviewed(shown)}</Text>
        {versions.length > 1 && (
          <ChoiceGroup
            label="Beside"
            options={options.filter((one) => one.id !== String(of))}
            chosen={than === undefined ? [] : [String(than)]}
            onChange={([next]) => setAddress({ than: next })}
          />
        )}
      </Card>
      {(after.error ?? before.error) && (
        <Failed
          error={(after.error ?? before.error)!}
          retry={() => void Promise.all([after.refetch(), than && before.refetch()])}
        />
      )}
      {than !== undefined &&
        (after.data && before.data ? (
          <ChangesCards before={before.data.guide} after={after.data.guide} than={`version ${than}`} />
        ) : (
          !after.error && !before.error && <Loading what="Both versions" />
        ))}
      {versions.length > 1 && <NamesTriedCard on={`version ${newest}`} ask={ask} />}
    </Screen>
  );
}

const sayReviewed = ({ version, reviewed }: Version): string =>
  reviewed
    ? `Version ${version} was reviewed by ${reviewed.by}, ${sayDate(reviewed.at.slice(0, 10))}, and found fit${reviewed.words ? `: ${reviewed.words}` : '.'}`
    : `Nobody but those who wrote it is known to have looked version ${version} over.`;

const sayVersion = ({ version, at, records }: Version): string =>
  `${version} · ${sayDate(at.slice(0, 10))}${records ? ` · ${records === 1 ? '1 record' : `${records} records`}` : ''}`;
