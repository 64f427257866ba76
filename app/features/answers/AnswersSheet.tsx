import { urlOf } from '@plesion/contract';
import type { StockAnswer } from '@plesion/contract/answers';
import { type Guide, isUnder } from '@plesion/core/guide';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { DownloadButton } from '../../ui/DownloadButton';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Failed } from '../../ui/states';
import { Text } from '../../ui/Text';
import { useToast } from '../../ui/Toast';
import { Typeset } from '../../ui/Typeset';
import { compiledOf } from '../records/compiled';
import { namedParts, phrase, plain } from '../records/namedParts';
import { useSession } from '../session/useSession';
import { AnswerForm } from './AnswerForm';
import { answersApi, answersOf } from './answersApi';

interface AnswersSheetProps {
  guideId: string;
  guide: Guide;
  /** The specimen whose situation holds on the page. */
  specimenId: string;
}

/** What the station answers where one taxon is taken for another: a page to send with the two beside each other, in one press. */
export function AnswersSheet({ guideId, guide, specimenId }: AnswersSheetProps) {
  const { role } = useSession().account;
  const found = useQuery({
    queryKey: answersOf(guideId),
    queryFn: ({ signal }) => answersApi('stockAnswers', { query: { guideId } }, signal),
  });
  /** The misnaming that an answer is written to; an empty one to choose. */
  const [writing, write] = useState<{ called?: string; truth?: string; text?: string; id?: string }>();
  if (found.error) return <Failed error={found.error} retry={() => void found.refetch()} />;
  const { answers = [], common = [] } = found.data ?? {};
  const mayWrite = role !== 'learner';
  return (
    <Stack>
      {found.data && answers.length === 0 && (
        <Text quiet>No answer is kept yet. One that is asked for again and again is written once, and sent in one press.</Text>
      )}
      {answers.map((answer) => (
        <Answer
          key={answer.id}
          answer={answer}
          guide={guide}
          specimenId={specimenId}
          onChange={mayWrite ? () => write(answer) : undefined}
        />
      ))}
      {mayWrite &&
        !writing &&
        common.map(({ called, truth, n }) => {
          const said = phrase(...pairParts(guide, called, truth), `, ${n} times: without an answer`);
          return (
            <Row key={`${called} ${truth}`} align="center">
              <Typeset size="small" parts={said} fill={200} />
              <Button small label="Write it" hint={`Write it: ${plain(said)}`} onPress={() => write({ called, truth })} />
            </Row>
          );
        })}
      {writing ? (
        <AnswerForm
          key={`${writing.called} ${writing.truth}`}
          guideId={guideId}
          guide={guide}
          first={writing}
          onClose={() => write(undefined)}
        />
      ) : (
        mayWrite &&
        found.data && (
          <Row align="center">
            <Button small kind="quiet" label="Another answer" hint="Another answer: write one" onPress={() => write({})} />
          </Row>
        )
      )}
    </Stack>
  );
}

/** "taken for *Petralda murica*, is *Petralda velloma*" */
const pairParts = (guide: Guide, called: string, truth: string) => [
  'taken for ',
  namedParts(guide, { taxon: called, facets: {} }),
  ', is ',
  namedParts(guide, { taxon: truth, facets: {} }),
];

interface AnswerProps {
  answer: StockAnswer;
  guide: Guide;
  specimenId: string;
  onChange?: () => void;
}

function Answer({ answer: { id, guideId, called, truth, text, by }, guide, specimenId, onChange }: AnswerProps) {
  const client = useQueryClient();
  const toast = useToast();
  const again = () => client.invalidateQueries({ queryKey: answersOf(guideId) });
  const restore = (): void =>
    void answersApi('writeStockAnswer', { params: { id }, body: { guideId, called, truth, text } }).then(again, (error: Error) =>
      toast({ text: error.message, undo: restore }),
    );
  const remove = useMutation({
    mutationFn: () => answersApi('removeStockAnswer', { params: { id } }),
    onSuccess() {
      toast({ text: `Removed: the answer to ${plain(parts)}`, undo: restore });
      return again();
    },
  });
  const parts = phrase(...pairParts(guide, called, truth));
  const forms = [called, truth].map((taxon) => usualForm(guide, taxon));
  // A species and the genus it stands for are drawn alike: there is nothing to set beside each other.
  const apart = forms.every(Boolean) && forms[0] !== forms[1];
  return (
    <Stack role="group" aria-label={plain(parts)} gap="xs" padY="s" ruled="above">
      <Typeset strong parts={parts} />
      <Text>{text}</Text>
      <Text size="small" quiet>
        {by}
      </Text>
      <Row align="center">
        {apart &&
          (['pdf', 'png'] as const).map((as) => (
            <DownloadButton
              key={as}
              label={as.toUpperCase()}
              hint={`${as.toUpperCase()}: a page to send with the answer, ${plain(parts)}`}
              url={() =>
                urlOf('comparePage', {
                  params: { id: guideId },
                  query: { forms: forms.join(','), as, specimen: specimenId, answer: id },
                })
              }
            />
          ))}
        {onChange && (
          <>
            <Button small kind="quiet" label="Change" hint={`Change the answer: ${plain(parts)}`} onPress={onChange} />
            <Button
              small
              kind="quiet"
              label="Remove"
              hint={`Remove the answer: ${plain(parts)}`}
              busy={remove.isPending}
              onPress={() => remove.mutate()}
            />
          </>
        )}
      </Row>
      {remove.error && <Notice kind="problem">{remove.error.message}</Notice>}
    </Stack>
  );
}

/** The commonest form of a taxon. */
function usualForm(guide: Guide, taxon: string): string | undefined {
  const { forms, base } = compiledOf(guide);
  const own = forms.flatMap((form, f) => (isUnder(guide, form.taxon, taxon) ? [f] : []));
  return own.length ? forms[own.reduce((best, f) => (base[f] > base[best] ? f : best))].id : undefined;
}
