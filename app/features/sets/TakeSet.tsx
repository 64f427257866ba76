import type { SetAnswer, SetView } from '@plesion/contract/sets';
import type { Guide } from '@plesion/core/guide';
import type { PracticeAnswer } from '@plesion/core/practice';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { Announce } from '../../ui/Announce';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { PracticeItem } from '../practice/PracticeItem';
import { setKey, setsApi } from './setsApi';
import { whole } from './whole';

interface TakeSetProps {
  view: SetView;
  guide: Guide;
}

/** Item after item of a set; what was answered is kept by the station at once. */
export function TakeSet({ view, guide }: TakeSetProps) {
  const { id, answers } = view;
  const items = view.items!;
  const client = useQueryClient();
  const [told, setTold] = useState<SetAnswer>();
  const answered = new Set(answers.map(({ n }) => n));
  // What was just told stays until one goes on.
  const current = items.find(({ n }) => (told ? n === told.n : !answered.has(n)))!;
  const since = useRef(Date.now());
  const send = useMutation({
    mutationFn: (answer: PracticeAnswer) =>
      setsApi('answerPracticeSet', {
        params: { id },
        body: { n: current.n, answer, seconds: Math.min(86_400, (Date.now() - since.current) / 1000) },
      }),
    onSuccess: (given) => {
      if (given.told) setTold(given);
      else goOn(given);
    },
    // The time may be over, or the set closed.
    onError: () => client.invalidateQueries({ queryKey: setKey(id) }),
  });
  const goOn = (given: SetAnswer) => {
    setTold(undefined);
    since.current = Date.now();
    client.setQueryData<SetView>(
      setKey(id),
      (before) => before && { ...before, answered: before.answered + 1, answers: [...before.answers, given] },
    );
  };
  const right = [...answers, ...(told ? [told] : [])].filter((one) => one.told?.right).length;
  const count = answers.length + (told ? 1 : 0);
  return (
    <Stack gap="m">
      <Text quiet>{`Item ${Math.min(items.length, answers.length + 1)} of ${items.length}`}</Text>
      {view.until && <TimeLeft until={view.until} onOver={() => void client.invalidateQueries({ queryKey: setKey(id) })} />}
      <PracticeItem
        key={current.n}
        guide={guide}
        item={whole(current.item, told?.told)}
        asked={current.asked}
        practice={{
          answer: (said) => !send.isPending && send.mutate(said),
          told: told?.told && { ...told.told },
          next: () => told && goOn(told),
          tally: { answers: view.kind === 'lesson' ? count : 0, right },
          problem: send.error?.message,
        }}
      />
    </Stack>
  );
}

/** Seconds at which it is said that time runs out. */
const SOON = 60;

/** How much time is left, to the second; said aloud only near the end. */
function TimeLeft({ until, onOver }: { until: string; onOver: () => void }) {
  const end = new Date(until).getTime();
  const [left, setLeft] = useState(() => Math.max(0, Math.ceil((end - Date.now()) / 1000)));
  const over = useRef(onOver);
  useEffect(() => {
    over.current = onOver;
  });
  useEffect(() => {
    const timer = setInterval(() => {
      const now = Math.max(0, Math.ceil((end - Date.now()) / 1000));
      setLeft(now);
      if (now === 0) {
        clearInterval(timer);
        over.current();
      }
    }, 1000);
    return () => clearInterval(timer);
  }, [end]);
  return (
    <>
      <Text strong figures>{`${Math.floor(left / 60)}:${String(left % 60).padStart(2, '0')} left`}</Text>
      <Announce>{left <= SOON ? 'Less than a minute is left.' : ''}</Announce>
    </>
  );
}
