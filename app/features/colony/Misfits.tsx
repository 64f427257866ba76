import type { Colony } from '@plesion/contract/colony';
import { inHundred } from '@plesion/core/evidence';
import type { Guide } from '@plesion/core/guide';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { colour, space } from '../../theme';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { LinkBox } from '../../ui/LinkBox';
import { Text } from '../../ui/Text';
import { SettleForm } from './SettleForm';

/** Shown of the ways out. */
const WAYS = 6;

/** Records that cannot all be true: the fewest that must be wrong, the likeliest first, each to be looked at and settled. */
export function Misfits({ colony, guide, guideId }: { colony: Colony; guide: Guide; guideId: string }) {
  const { members, posterior, problems } = colony;
  const [settling, setSettling] = useState<string>();
  const memberOf = (name: string | undefined) => members.find((one) => one.name === name);
  const ways = posterior?.impossible ?? [];
  if (!problems.length && !ways.length) return null;
  return (
    <Card title="Something does not fit">
      {problems.map(({ name, message }) => (
        <Way key={message} id={memberOf(name)?.id}>
          {message}
        </Way>
      ))}
      {ways.length > 0 && (
        <>
          <Text>Not all that is written can be true. One of these is wrong, the likeliest first:</Text>
          {ways.slice(0, WAYS).map(({ why, records, p }) => {
            const [record] = records;
            const member = memberOf(record.id);
            return (
              <View key={why} style={styles.one}>
                <View style={styles.row}>
                  <Way id={member?.id}>{`${why} (${inHundred(p)} of these)`}</Way>
                  {member && settling !== why && (
                    <Button small label="Settle it" hint={`Settle it: ${why}`} onPress={() => setSettling(why)} />
                  )}
                </View>
                {member && settling === why && (
                  <SettleForm
                    {...{ guide, guideId, member, members }}
                    doubted={{ what: record.what, ...(record.character ? { character: record.character } : {}) }}
                    onDone={() => setSettling(undefined)}
                  />
                )}
              </View>
            );
          })}
          {ways.length > WAYS && <Text quiet size="small">{`or one of ${ways.length - WAYS} more`}</Text>}
          <Text quiet size="small">
            What is said of the others below is as if the first of these had not been written. Look at it again, and settle it:
            what was written stays beside what is right.
          </Text>
        </>
      )}
    </Card>
  );
}

const Way = ({ id, children }: { id?: string; children: string }) =>
  id === undefined ? (
    <Text style={styles.way}>{children}</Text>
  ) : (
    <LinkBox href={`/field/colony/${id}`} style={styles.way}>
      <Text color={colour.kelp}>{children}</Text>
    </LinkBox>
  );

const styles = StyleSheet.create({
  one: { borderTopWidth: 1, borderColor: colour.mist, gap: space.xs, paddingVertical: space.xs },
  row: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: space.s },
  way: { justifyContent: 'center', flexShrink: 1, flexGrow: 1 },
});
