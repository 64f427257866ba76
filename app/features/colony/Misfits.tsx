import type { Colony } from '@plesion/contract/colony';
import { inHundred } from '@plesion/core/evidence';
import { StyleSheet } from 'react-native';
import { colour, space } from '../../theme';
import { Card } from '../../ui/Card';
import { LinkBox } from '../../ui/LinkBox';
import { Text } from '../../ui/Text';

/** Shown of the ways out. */
const WAYS = 6;

/** Records that cannot all be true: the fewest that must be wrong, the likeliest first, and a way to each. */
export function Misfits({ colony: { members, posterior, problems } }: { colony: Colony }) {
  const idOf = (name: string) => members.find((one) => one.name === name)?.id;
  const ways = posterior?.impossible ?? [];
  if (!problems.length && !ways.length) return null;
  return (
    <Card title="Something does not fit">
      {problems.map(({ name, message }) => (
        <Way key={message} id={name === undefined ? undefined : idOf(name)}>
          {message}
        </Way>
      ))}
      {ways.length > 0 && (
        <>
          <Text>Not all that is written can be true. One of these is wrong, the likeliest first:</Text>
          {ways.slice(0, WAYS).map(({ why, records, p }) => (
            <Way key={why} id={idOf(records[0].id)}>{`${why} (${inHundred(p)} of these)`}</Way>
          ))}
          {ways.length > WAYS && <Text quiet size="small">{`or one of ${ways.length - WAYS} more`}</Text>}
          <Text quiet size="small">
            What is said of the others below is as if the first of these had not been written. Look at it again, and write down
            what is right.
          </Text>
        </>
      )}
    </Card>
  );
}

const Way = ({ id, children }: { id?: string; children: string }) =>
  id === undefined ? (
    <Text>{children}</Text>
  ) : (
    <LinkBox href={`/field/colony/${id}`} style={styles.way}>
      <Text color={colour.kelp}>{children}</Text>
    </LinkBox>
  );

const styles = StyleSheet.create({ way: { justifyContent: 'center', paddingVertical: space.xs } });
