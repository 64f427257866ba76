import type { StoredGuide, StoredKey } from '@plesion/contract';
import { keyDrill } from '@plesion/core/practice/keyDrill';
import { useCallback } from 'react';
import { LinkBox } from '../../ui/LinkBox';
import { Picker } from '../../ui/Picker';
import { Empty, Failed, Loading } from '../../ui/states';
import { Text } from '../../ui/Text';
import { useKey, useKeys } from '../records/useKeys';
import { KeyDrill } from './KeyDrill';
import { usePractice } from './usePractice';
import type { Wanted } from './ways';

interface WalkPracticeProps {
  stored: StoredGuide;
  wanted: Wanted;
  /** The key that the address names. */
  keyId?: string;
  onKey: (id: string) => void;
}

/** Individuals to be taken through a key of the guide. */
export function WalkPractice({ stored, wanted, keyId, onKey }: WalkPracticeProps) {
  const keys = useKeys(stored.id);
  const rows = keys.data?.keys;
  const id = rows?.find((row) => row.id === keyId)?.id ?? rows?.[0]?.id;
  const key = useKey(id);
  const failed = keys.error ?? key.error;
  if (key.data)
    return (
      <>
        <OneKey key={`${key.data.id} ${key.data.version}`} stored={stored} wanted={wanted} keyed={key.data} />
        {rows && rows.length > 1 && (
          <Picker label="The key" items={rows.map((row) => ({ id: row.id, label: row.title }))} chosen={id} onChange={onKey} />
        )}
      </>
    );
  if (failed) return <Failed error={failed} retry={() => void (keys.error ? keys.refetch() : key.refetch())} />;
  if (!rows || id !== undefined) return <Loading what="The key" />;
  return (
    <Empty
      title="No key to this guide yet"
      action={
        <LinkBox href={`/keys/make?guide=${stored.id}`}>
          <Text strong>Make one from the guide</Text>
        </LinkBox>
      }
    >
      A key that was imported, or made from the guide, is walked here with individuals drawn for it.
    </Empty>
  );
}

function OneKey({ stored, wanted, keyed }: Pick<WalkPracticeProps, 'stored' | 'wanted'> & { keyed: StoredKey }) {
  const { id: keyId, version: keyVersion, key } = keyed;
  const maker: NonNullable<Parameters<typeof usePractice>[2]> = useCallback(
    (compiled, plan, asked, seed) => keyDrill(compiled, plan, key, asked, seed),
    [key],
  );
  const practice = usePractice(stored, { ...wanted, walk: { keyId, keyVersion } }, maker);
  const { current } = practice;
  if (!current) return <Loading what="Practice" />;
  if (!current.item)
    return <Empty title="Nothing of this key can be walked">It ends in nothing of the guide that is drawn.</Empty>;
  return <KeyDrill key={current.item.seed} guide={stored.guide} keyed={keyed} item={current.item} practice={practice} />;
}
