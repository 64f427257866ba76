import { type KeyImport, RequestProblem } from '@plesion/contract';
import { endpointsOf, type Key, lintKey, type LineProblem, mendText, readKeyText, withLinks, withTaxa } from '@plesion/core/keys';
import { readSdd } from '@plesion/core/keys/sdd';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { useDeferredValue, useMemo } from 'react';
import { z } from 'zod';
import { api } from '../../lib/api';
import { pickFile } from '../../lib/files';
import { useKeptState } from '../../lib/useKeptState';
import { Button } from '../../ui/Button';
import { Picker } from '../../ui/Picker';
import { TextField } from '../../ui/TextField';
import { Notice } from '../../ui/Notice';
import { Screen } from '../../ui/Screen';
import { Card } from '../../ui/Card';
import { Failed } from '../../ui/states';
import { PageHeading } from '../../ui/PageHeading';
import { Text } from '../../ui/Text';
import { useGuide, useGuides } from '../records/useGuide';
import { KeyText } from './KeyText';
import { Column, Columns } from '../../ui/Columns';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';

/** A text longer than this is not shown in the field, so that the page stays quick. */
const SHOWN = 60_000;
/** And one longer than this is read by the server alone. */
const PREVIEWED = 300_000;
const EXAMPLE =
  '1a Hind foot with four segments …… 2\n1b Hind foot with five segments …… Lithonyx aridus\n2a Wing cases under dense down …… Fucalis algarum\n2b Wing cases bare …… see key to Fucalis';

const Source = z.object({ kind: z.enum(['text', 'sdd', 'json']), text: z.string() });
type Source = z.infer<typeof Source>;

/** What was put together so far; kept over a reload. */
const Typed = z.object({ guideId: z.string().optional(), title: z.string().optional(), source: Source });

/** Read in a key from print: paste, look at what was understood, mend by line, take it in whole. */
export function ReadKeyScreen({ guideId: asked }: { guideId?: string }) {
  const router = useRouter();
  const client = useQueryClient();
  const guides = useGuides();
  const [typed, change, forget] = useKeptState(`readKey.${asked ?? ''}`, Typed, {
    guideId: asked,
    source: { kind: 'text', text: '' },
  });
  const { guideId, source } = typed;
  const setSource = (next: Source) => change({ source: next });
  const guide = useGuide(guideId).data?.guide;
  const deferred = useDeferredValue(source);
  const { heading, ...preview } = useMemo(() => previewOf(deferred, typed.title), [deferred, typed.title]);
  const title = typed.title ?? heading ?? '';
  const tied = useMemo(
    () => (preview.key && guide ? withLinks(withTaxa(preview.key, guide), guide) : preview.key),
    [preview.key, guide],
  );
  const take = useMutation({
    mutationFn: () => api('importKey', { body: bodyOf(source, title, guideId) }),
    onSuccess: async ({ keyId }) => {
      forget();
      await client.invalidateQueries({ queryKey: ['keys'] });
      router.replace(`/keys/${keyId}`);
    },
  });
  const text = source.text;
  const setText = (next: string) => setSource({ kind: source.kind === 'text' ? 'text' : kindOf(next), text: next });
  const long = text.length > PREVIEWED;
  const ready = (tied !== undefined || long || source.kind === 'json') && (title.trim() !== '' || source.kind !== 'text');
  const refused = refusedBy(take.error);
  return (
    <Screen
      widest={1180}
      foot={
        <Row gap="m" align="center" oneLine>
          <Text size="small" quiet fill>
            {sayState(text, tied, preview.problems, title, source)}
          </Text>
          <Button kind="main" label="Import" busy={take.isPending} disabled={!ready} onPress={() => take.mutate()} />
        </Row>
      }
    >
      <PageHeading>Import a key</PageHeading>
      <Text quiet>
        From a paper or book, as it is printed: numbered pairs or indented, with dotted leaders or without. Nothing is imported by
        halves.
      </Text>
      {take.error != null && refused.length === 0 && <Failed error={take.error} />}
      <Columns gap="m">
        <Column gap="m">
          <Card title="The key in print">
            <TextField
              label="Title"
              value={title}
              maxLength={200}
              onChangeText={(next) => change({ title: next })}
              placeholder="Strand beetles, after Selwith"
            />
            <Text size="small" strong quiet>
              Guide it names the taxa of
            </Text>
            <Picker
              label="Guide it names the taxa of"
              items={guides.data?.guides.map(({ id, title: label, group }) => ({ id, label, words: group })) ?? []}
              chosen={guideId}
              onChange={(id) => change({ guideId: id })}
              onClear={() => change({ guideId: undefined })}
            />
            <TextField
              label="Paste it here"
              value={text.length > SHOWN ? `${text.slice(0, 4000)}\n…` : text}
              editable={text.length <= SHOWN}
              onChangeText={setText}
              multiline
              placeholder={EXAMPLE}
              paste={260}
              hint={
                text.length > SHOWN
                  ? `${(text.length / 1e6).toFixed(2)} million characters; too long to be changed here.`
                  : undefined
              }
            />
            <Row>
              <Button
                small
                label="Choose a file"
                onPress={() =>
                  void pickFile('.txt,.md,.xml,.sdd,.json,text/plain').then(
                    async (file) => file && setSource(sourceOf(await file.text())),
                  )
                }
              />
              {/* One button all along, so that the focus has where to stay. */}
              <Button
                small
                kind="quiet"
                label={text === '' ? 'Show an example' : 'Clear'}
                onPress={() => setSource({ kind: 'text', text: text === '' ? EXAMPLE : '' })}
              />
            </Row>
          </Card>
          <Problems
            problems={preview.problems.length ? preview.problems : refused}
            onMend={(problem) => setText(mendText(text, problem.mend!))}
          />
        </Column>
        <Column gap="m">
          {tied && (
            <>
              <Card title="What was understood" aside={`${tied.couplets.length} couplets, ${endpointsOf(tied).length} endings`}>
                {guide && <Text size="small">{sayTies(tied, guide)}</Text>}
                {lintKey(tied, guide)
                  .slice(0, 8)
                  .map(({ message }, i) => (
                    <Text key={i} size="small" quiet>
                      {message}
                    </Text>
                  ))}
              </Card>
              <KeyText keyed={tied} guide={guide} />
            </>
          )}
        </Column>
      </Columns>
    </Screen>
  );
}

/** What the server would not take, line by line where it is a text. */
function refusedBy(error: unknown): LineProblem[] {
  if (!(error instanceof RequestProblem)) return [];
  const { problems, ...first } = error.body;
  return first.code === 'offline' ? [] : (problems ?? [first]).map((problem) => ({ line: 0, ...problem }));
}

const kindOf = (text: string): Source['kind'] =>
  text.trimStart().startsWith('<') ? 'sdd' : text.trimStart().startsWith('{') ? 'json' : 'text';
const sourceOf = (text: string): Source => ({ kind: kindOf(text), text });

function bodyOf({ kind, text }: Source, title: string, guideId: string | undefined): KeyImport {
  const given = kind === 'text' ? { text } : kind === 'sdd' ? { sdd: text } : { json: JSON.parse(text) as unknown };
  return { ...given, ...(title.trim() ? { title: title.trim() } : {}), ...(guideId ? { guideId } : {}) };
}

interface Preview {
  key?: Key;
  problems: LineProblem[];
  /** What the key is called, where nothing else was typed and its first line says it. */
  heading?: string;
}

function previewOf({ kind, text }: Source, title: string | undefined): Preview {
  if (!text.trim() || text.length > PREVIEWED) return { problems: [] };
  const start = kindOf(text) !== 'text' ? kindOf(text) : kind;
  if (start === 'text') {
    const { key, problems, heading } = readKeyText(text, title || 'Key');
    if (!heading || title !== undefined) return { key, problems };
    return { key, problems: problems.filter(({ line }) => line !== heading.line), heading: heading.text };
  }
  if (start === 'json') return { problems: [] };
  const outcome = readSdd(text);
  return outcome.ok
    ? { key: outcome.value, problems: [] }
    : { problems: outcome.problems.map((problem) => ({ ...problem, line: 1 })) };
}

function Problems({ problems, onMend }: { problems: readonly LineProblem[]; onMend: (problem: LineProblem) => void }) {
  if (problems.length === 0) return null;
  return (
    <Notice kind="problem" title={problems.length === 1 ? 'One line to look at' : `${problems.length} lines to look at`}>
      <Stack>
        {problems.slice(0, 12).map((problem, i) => (
          <Row key={i} align="center" ruled="above" ruledIn="hazardWash">
            <Text size="small" strong figures wide={56}>
              {problem.line ? `line ${problem.line}` : ''}
            </Text>
            <Text size="small" fill>
              {problem.message}
            </Text>
            {problem.mend && <Button small label={problem.mend.say} onPress={() => onMend(problem)} />}
          </Row>
        ))}
        {problems.length > 12 && <Text size="small" quiet>{`and ${problems.length - 12} more`}</Text>}
      </Stack>
    </Notice>
  );
}

function sayTies(key: NonNullable<ReturnType<typeof readKeyText>['key']>, guide: { title: string }): string {
  const leads = key.couplets.flatMap(({ leads: own }) => own);
  const names = leads.flatMap(({ to }) => (to.kind === 'taxon' ? [to] : []));
  const statements = leads.flatMap((lead) => lead.statements);
  return `${names.filter(({ taxon }) => taxon).length} of ${names.length} names and ${statements.filter(({ link }) => link).length} of ${statements.length} statements are tied to “${guide.title}”.`;
}

function sayState(text: string, key: unknown, problems: readonly LineProblem[], title: string, source: Source): string {
  if (!text.trim()) return 'Paste or choose a key first.';
  if (text.length > PREVIEWED)
    return title.trim() ? 'Too long to be looked at here: the server reads it, all or nothing.' : 'Give it a title.';
  if (!key && source.kind !== 'json')
    return problems.length ? 'Correct what is ambiguous first; nothing is lost meanwhile.' : 'Reading …';
  if (!title.trim() && source.kind === 'text') return 'Give it a title.';
  return problems.length ? 'It will be imported whole, with what is still to mend.' : 'It will be imported whole.';
}
