import { Notice } from './Notice';
import { Failed } from './states';
import { Text } from './Text';
import { WorkProgress } from './WorkProgress';

interface Props {
  job: {
    error: Error | null;
    problem?: { message: string };
    cancelled: boolean;
    running: boolean;
    progress: number;
    cancel: () => void;
  };
  /** What is done, while it is: `Printing`. */
  what: string;
  /** Over the reason why nothing came of it. */
  refused?: string;
  /** Said when it was stopped. */
  stopped?: string;
}

/** Long work in a card: how far it is, that it was stopped, or why nothing came of it. */
export function JobState({ job, what, refused, stopped }: Props) {
  return (
    <>
      {job.error && <Failed error={job.error} />}
      {job.problem && (
        <Notice kind="problem" title={refused}>
          {job.problem.message}
        </Notice>
      )}
      {stopped && job.cancelled && <Text quiet>{stopped}</Text>}
      {job.running && <WorkProgress what={what} share={job.progress} onCancel={() => job.cancel()} />}
    </>
  );
}
