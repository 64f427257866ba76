import { RequestProblem, type StoredGuide } from '@plesion/contract';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { View } from 'react-native';
import { api } from '../../lib/api';
import { pickFile } from '../../lib/files';
import { space } from '../../theme';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { Text } from '../../ui/Text';
import { loadDrawing } from '../records/plans';
import { sharingApi } from '../sharing/sharingApi';

/** Import a guide from a file; one that is here with other content is written over only as a new version, and when asked. */
export function useTakeGuide() {
  const client = useQueryClient();
  const onSuccess = async (stored: StoredGuide | undefined) => {
    if (!stored) return;
    await loadDrawing(stored.guide);
    client.setQueryData(['guide', stored.id], stored);
    void client.invalidateQueries({ queryKey: ['guides'] });
  };
  const take = useMutation({
    mutationFn: async () => {
      const file = await pickFile('.json,application/json,.zip,application/zip');
      if (!file) return undefined;
      return isPacked(file) ? bring(file) : api('importGuide', { body: parsed(await file.text()) });
    },
    onSuccess,
  });
  const renew = useMutation({
    mutationFn: ({ stored, guide }: Known) =>
      api('writeGuide', { params: { id: stored.id }, body: { version: stored.version, guide } }),
    onSuccess: (stored) => {
      take.reset();
      return onSuccess(stored);
    },
  });
  return {
    busy: take.isPending || renew.isPending,
    error: renew.error ?? take.error,
    taken: renew.data ?? take.data,
    choose() {
      renew.reset();
      take.mutate();
    },
    known: knownIn(take.error),
    renew: (known: Known) => renew.mutate(known),
    leave: () => take.reset(),
  };
}

/** A guide that is here already with other content, beside the one that was to be imported. */
interface Known {
  stored: StoredGuide;
  guide: unknown;
}

function knownIn(error: unknown): Known | undefined {
  if (!(error instanceof RequestProblem) || error.body.code !== 'stale-version') return undefined;
  const { stored, sent } = error.body as unknown as { stored: StoredGuide; sent: { guide: unknown } };
  return { stored, guide: sent.guide };
}

/** With its photographs, in one file? */
const isPacked = ({ name, type }: File): boolean => type === 'application/zip' || name.toLowerCase().endsWith('.zip');

function bring(file: File) {
  const body = new FormData();
  body.append('file', file);
  return sharingApi('bringGuide', { body });
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text) as unknown;
  } catch (error) {
    throw new RequestProblem(400, {
      code: 'bad-json',
      message: `The file is not JSON: ${(error as Error).message}. Nothing was imported.`,
    });
  }
}

/** What came of it. */
export function TakenGuide({ take }: { take: ReturnType<typeof useTakeGuide> }) {
  const { known, error, taken } = take;
  if (known) {
    const { title, version } = known.stored;
    return (
      <Notice
        kind="problem"
        title="This guide is here already, with other content"
        action={
          <View style={{ flexDirection: 'row', gap: space.s, flexWrap: 'wrap' }}>
            <Button small label={`Make it version ${version + 1}`} busy={take.busy} onPress={() => take.renew(known)} />
            <Button small kind="quiet" label="Cancel" onPress={take.leave} />
          </View>
        }
      >
        {`The station has “${title}” at version ${version}. Nothing was changed. Every version is kept, and names given before keep theirs.`}
      </Notice>
    );
  }
  if (error) return <ImportProblems error={error} />;
  return taken ? <Notice kind="note">{`${taken.title}, version ${taken.version}, is in the station.`}</Notice> : null;
}

/** Every problem with its field: nothing was imported. */
function ImportProblems({ error }: { error: unknown }) {
  const problems = error instanceof RequestProblem ? (error.body.problems ?? [error.body]) : [];
  return (
    <Notice kind="problem" title="The guide was not imported">
      <View>
        {problems.slice(0, 8).map((problem, i) => (
          <Text key={i} size="small">
            {problem.field && !problem.message.startsWith(problem.field)
              ? `${problem.field}: ${problem.message}`
              : problem.message}
          </Text>
        ))}
        {problems.length > 8 && <Text size="small" quiet>{`and ${problems.length - 8} more`}</Text>}
      </View>
    </Notice>
  );
}
