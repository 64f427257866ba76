import type { Ask, GivenOpinion } from '@plesion/contract/opinions';
import { inHundred } from '@plesion/core/evidence';
import type { Guide } from '@plesion/core/guide';
import { sayReading } from '@plesion/core/observation';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { View } from 'react-native';
import { sayDate } from '../../lib/dates';
import { colour } from '../../theme';
import { Button } from '../../ui/Button';
import { CopyLink } from '../../ui/CopyLink';
import { LinkBox } from '../../ui/LinkBox';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
import { Typeset } from '../../ui/Typeset';
import { namedParts, phrase } from '../records/namedParts';
import { CERTAINTY_LABELS } from '../records/situationText';
import { useSession } from '../session/useSession';
import { asksOf, opinionsApi } from './opinionsApi';
import { opinionParts, voteParts } from './sayOpinion';

/** One asking: who has answered, what they said once one may know it, all of it together, and how it was decided. */
export function AskedCard({ ask, guide }: { ask: Ask; guide: Guide }) {
  const { id, by, at, to, question, answered, opinions, pooled, decided, withdrawn } = ask;
  const { account } = useSession();
  const open = !decided && !withdrawn;
  const asked = by !== account.name && (to.length === 0 || to.includes(account.name));
  return (
    <Stack padY="s" ruled="above">
      <Text strong>{question ?? 'What do you make of it?'}</Text>
      <Text size="small" quiet>
        {`${by}, ${sayDate(at)} · asked: ${to.length ? to.join(', ') : 'everybody here'} · ${sayAnswered(answered)}`}
      </Text>
      {withdrawn && <Text size="small">It is asked no more.</Text>}
      {!opinions && asked && open && (
        <LinkBox href={`/opinions/${id}`}>
          <Text strong color={colour.kelp}>
            Say what you make of it; then you see what the others said
          </Text>
        </LinkBox>
      )}
      {opinions?.map((one) => (
        <Said key={one.id} one={one} guide={guide} />
      ))}
      {opinions && opinions.length > 1 && (
        <Typeset
          parts={voteParts(
            guide,
            opinions.map(({ opinion }) => opinion),
          )}
        />
      )}
      {pooled && (
        <Notice kind="note" title={`Together they count as ${pooled.count.toFixed(1)} of ${pooled.opinions}`}>
          <Text size="small">
            {`They saw the same, and err together: ${pooled.correlation.toFixed(2)}${pooled.pairs ? `, by ${pooled.pairs} pairs of opinions here` : ', as second looks do until more is known here'}.`}
          </Text>
          <Text size="small">{pooled.text}</Text>
          <Typeset
            size="small"
            strong
            parts={pooled.taxa.flatMap(({ taxon, p }, i) =>
              phrase(i > 0 ? ' · ' : '', namedParts(guide, { taxon, facets: {} }), ` ${inHundred(p)}`),
            )}
          />
        </Notice>
      )}
      {decided && <Text>{`Decided by ${decided.by}, ${sayDate(decided.at)}: ${decided.why}`}</Text>}
      {open && by === account.name && <Own ask={ask} />}
    </Stack>
  );
}

const sayAnswered = (names: readonly string[]): string =>
  names.length === 0 ? 'nobody has answered yet' : `answered: ${names.join(', ')}`;

function Said({ one: { by, outside, opinion }, guide }: { one: GivenOpinion; guide: Guide }) {
  const seen = opinion.readings.flatMap((reading) => {
    const character = guide.characters.find(({ id }) => id === reading.character);
    return character ? [`${character.label}: ${sayReading(character, reading)}`] : [];
  });
  return (
    <View>
      <Typeset
        parts={phrase(
          `${outside ? `${by} (by link)` : by}: `,
          opinionParts(guide, opinion),
          opinion.name ? `, ${CERTAINTY_LABELS[opinion.certainty]}` : '',
        )}
      />
      {[...seen, ...(opinion.note ? [opinion.note] : [])].map((line) => (
        <Text key={line} size="small" quiet>
          {line}
        </Text>
      ))}
    </View>
  );
}

/** What only who asked does: decide and say why, make a link for somebody outside, ask no more. */
function Own({ ask: { id, specimenId, link } }: { ask: Ask }) {
  const client = useQueryClient();
  const [why, setWhy] = useState<string>();
  const again = () => client.invalidateQueries({ queryKey: asksOf(specimenId) });
  const decide = useMutation({
    mutationFn: (said: string) => opinionsApi('decideOpinions', { params: { id }, body: { why: said } }),
    onSuccess: again,
  });
  const withdraw = useMutation({ mutationFn: () => opinionsApi('withdrawAsk', { params: { id } }), onSuccess: again });
  const make = useMutation({ mutationFn: () => opinionsApi('linkOpinion', { params: { id } }), onSuccess: again });
  const unlink = useMutation({
    mutationFn: () => opinionsApi('unlinkOpinion', { params: { id } }),
    onSuccess: () => {
      make.reset();
      return again();
    },
  });
  const problem = decide.error ?? withdraw.error ?? make.error ?? unlink.error;
  return (
    <Stack>
      {make.data && (
        <Notice kind="note" title="Copy it now, it is not shown again">
          <CopyLink path={`/opinion/${make.data.token}`} />
        </Notice>
      )}
      {link && <Text size="small" quiet>{`Somebody outside may come by a link until ${sayDate(link, 'minute')}.`}</Text>}
      {why !== undefined && (
        <TextField
          label="How you decide, and why"
          value={why}
          onChangeText={setWhy}
          multiline
          maxLength={1000}
          hint="The name itself is given on “Name it”: this stays with the opinions."
        />
      )}
      {problem && <Notice kind="problem">{problem.message}</Notice>}
      <Row>
        {why === undefined ? (
          <Button small label="Decide" hint="Decide, and say why" onPress={() => setWhy('')} />
        ) : (
          <Button small kind="main" label="Decide so" busy={decide.isPending} onPress={() => decide.mutate(why)} />
        )}
        <Button
          small
          label={link ? 'Another link' : 'A link for somebody outside'}
          busy={make.isPending}
          onPress={() => make.mutate()}
        />
        {link && <Button small kind="quiet" label="Withdraw the link" onPress={() => unlink.mutate()} />}
        <Button small kind="quiet" label="Ask no more" busy={withdraw.isPending} onPress={() => withdraw.mutate()} />
      </Row>
    </Stack>
  );
}
