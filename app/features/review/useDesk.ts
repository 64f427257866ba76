import type { DeskRecord, ReviewWrite } from '@plesion/contract/review';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { v7 as mintId } from 'uuid';
import { deskOf, reviewApi } from './reviewApi';

/** More are fetched once so few are left to be seen. */
const AHEAD = 6;

/** What was said last, and of what. */
export interface LastWord {
  record: DeskRecord;
  sent: ReviewWrite;
}

/** Those that wait, one after the other: what is said of one is sent while the next is looked at. */
export function useDesk(guideId: string | undefined) {
  const found = useQuery({
    queryKey: deskOf(guideId),
    queryFn: ({ signal }) => reviewApi('desk', { query: guideId ? { guideId } : {} }, signal),
  });
  const { data, refetch, isFetching } = found;
  const [said, setSaid] = useState<readonly string[]>([]);
  const [later, setLater] = useState<readonly string[]>([]);
  const [last, setLast] = useState<LastWord>();
  const [problem, setProblem] = useState<string>();
  const [before, setBefore] = useState<number>();
  if (before === undefined && data) setBefore(data.today);
  const records = data?.records ?? [];
  const open = records.filter(({ id }) => !said.includes(id));
  const order = [
    ...open.filter(({ id }) => !later.includes(id)),
    ...later.flatMap((id) => open.find((one) => one.id === id) ?? []),
  ];
  const left = Math.max(0, (data?.total ?? 0) - records.length + open.length);
  const send = useMutation({ mutationFn: (sent: ReviewWrite) => reviewApi('review', { body: sent }) });
  const back = useMutation({ mutationFn: (id: string) => reviewApi('withdrawReview', { params: { id } }) });
  /** What was said last, on its way. */
  const under = useRef<Promise<unknown>>(undefined);
  const [backing, setBacking] = useState(false);
  const short = !isFetching && !send.isPending && open.length < Math.min(AHEAD, left);
  useEffect(() => {
    if (short) void refetch();
  }, [short, refetch]);
  const giveBack = (id: string) => {
    setSaid((all) => all.filter((one) => one !== id));
    setLater((all) => all.filter((one) => one !== id));
    setLast((one) => (one?.record.id === id ? undefined : one));
  };
  return {
    ...{ found, left, problem, last, record: order.at(0), ahead: order.slice(1, 4), takingBack: backing },
    /** Looked at today, with those before this visit. */
    today: (before ?? 0) + said.length,
    /** Say something of a record, and go on. */
    tell(record: DeskRecord, word: Pick<ReviewWrite, 'word' | 'name' | 'view' | 'note'>) {
      const sent: ReviewWrite = { id: mintId(), specimenId: record.id, determination: record.name.id, ...word };
      setProblem(undefined);
      setSaid((all) => [...all, record.id]);
      setLast({ record, sent });
      under.current = send.mutateAsync(sent).catch((error: Error) => {
        giveBack(record.id);
        setProblem(`Of ${record.label} nothing was saved. ${error.message}`);
        void refetch();
      });
    },
    /** Look at it again once the others have been seen. */
    leave: (record: DeskRecord) => setLater((all) => [...all.filter((id) => id !== record.id), record.id]),
    /** What was said last is taken back, and its record is at hand again. */
    async takeBack() {
      if (!last || backing) return;
      setProblem(undefined);
      setBacking(true);
      try {
        // What has not come there cannot be taken back.
        await under.current;
        await back.mutateAsync(last.sent.id);
        await refetch();
        giveBack(last.record.id);
      } catch (error) {
        setProblem(`It was not undone. ${(error as Error).message}`);
      } finally {
        setBacking(false);
      }
    },
  };
}
