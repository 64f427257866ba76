import { type GuideRow, RequestProblem } from '@plesion/contract';
import { formsOf } from '@plesion/core/guide';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Link, useRouter } from 'expo-router';
import { Pressable, StyleSheet, View } from 'react-native';
import { api } from '../../lib/api';
import { pickFile } from '../../lib/files';
import { colour, radius, space } from '../../theme';
import { Button } from '../../ui/Button';
import { Glyph } from '../../ui/Glyph';
import { Notice } from '../../ui/Notice';
import { Screen } from '../../ui/Screen';
import { Empty, Failed, Loading } from '../../ui/states';
import { Words } from '../../ui/Words';
import { BookSearch } from '../book/BookSearch';
import { KeysSheet } from '../keys/KeysSheet';
import { formPlate, mainView } from '../plates/plates';
import { PlateView } from '../plates/PlateView';
import { useGuide, useGuides, useGuidesWhole } from './useGuide';

/** The station's guides, and the way in for more. */
export function GuidesScreen() {
  const router = useRouter();
  const guides = useGuides();
  const client = useQueryClient();
  const take = useMutation({
    mutationFn: async () => {
      const file = await pickFile('.json,application/json');
      return file && api('importGuide', { body: parsed(await file.text()) });
    },
    onSuccess: (stored) => {
      if (!stored) return;
      client.setQueryData(['guide', stored.id], stored);
      void client.invalidateQueries({ queryKey: ['guides'] });
    },
  });
  return (
    <Screen>
      <View style={styles.title}>
        <View style={styles.grow}>
          <Words size="display" heading={1}>
            Guides
          </Words>
        </View>
        <Button label="Learn from a table" onPress={() => router.push('/guides/learn')} />
        <Button
          label="Take in a guide"
          hint="Take in a guide from a Plesion JSON file"
          busy={take.isPending}
          onPress={() => take.mutate()}
          icon={<Glyph name="upload" size={18} color={colour.kelp} />}
        />
      </View>
      {take.error && <ImportProblems error={take.error} />}
      {take.data && <Notice kind="note">{`${take.data.title}, version ${take.data.version}, is in the station.`}</Notice>}
      {guides.error && <Failed error={guides.error} retry={() => void guides.refetch()} />}
      {guides.isPending && <Loading what="The guides" />}
      {guides.data?.guides.length === 0 && <Empty title="No guide yet">Take in a guide from a Plesion JSON file to begin.</Empty>}
      <SearchAll rows={guides.data?.guides ?? []} />
      {guides.data?.guides.map((row) => (
        <GuideCard key={row.id} row={row} />
      ))}
      <KeysSheet />
    </Screen>
  );
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text) as unknown;
  } catch (error) {
    throw new RequestProblem(400, {
      code: 'bad-json',
      message: `The file is not JSON: ${(error as Error).message}. Nothing was taken in.`,
    });
  }
}

/** Every problem with its field: nothing was taken in. */
function ImportProblems({ error }: { error: unknown }) {
  const problems = error instanceof RequestProblem ? (error.body.problems ?? [error.body]) : [];
  return (
    <Notice kind="problem" title="The guide was not taken in">
      <View>
        {problems.slice(0, 8).map((problem, i) => (
          <Words key={i} size="small">
            {problem.field ? `${problem.field}: ${problem.message}` : problem.message}
          </Words>
        ))}
        {problems.length > 8 && <Words size="small" quiet>{`and ${problems.length - 8} more`}</Words>}
      </View>
    </Notice>
  );
}

/** Find a taxon in any guide by any of its names. */
function SearchAll({ rows }: { rows: readonly GuideRow[] }) {
  const stored = useGuidesWhole(rows.map(({ id }) => id));
  return stored.length ? <BookSearch guides={stored} /> : null;
}

function GuideCard({ row }: { row: GuideRow }) {
  const guide = useGuide(row.id).data?.guide;
  const plate = guide && formPlate(guide, formsOf(guide)[0].id, mainView(guide), 'thumb');
  return (
    <Link href={`/guides/${row.id}`} asChild>
      <Pressable accessibilityLabel={row.title} style={styles.card}>
        <View style={styles.plate}>{plate && <PlateView plate={plate} width={140} height={112} />}</View>
        <View style={styles.words}>
          <Words size="title">{row.title}</Words>
          <Words
            size="small"
            quiet
          >{`${row.area} · ${row.forms} forms · ${row.characters} characters · version ${row.version}`}</Words>
          <Words size="small" numberOfLines={3}>
            {row.summary}
          </Words>
        </View>
      </Pressable>
    </Link>
  );
}

const styles = StyleSheet.create({
  title: { flexDirection: 'row', alignItems: 'center', gap: space.m, flexWrap: 'wrap' },
  grow: { flexGrow: 1, minWidth: 200 },
  card: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    gap: space.l,
    backgroundColor: colour.sheet,
    borderRadius: radius.l,
    borderWidth: 1,
    borderColor: colour.edge,
    padding: space.m,
  },
  plate: {
    width: 148,
    height: 120,
    backgroundColor: colour.paper,
    borderRadius: radius.m,
    alignItems: 'center',
    justifyContent: 'center',
  },
  words: { flex: 1, minWidth: 200, gap: space.xs },
});
