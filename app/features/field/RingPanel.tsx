import type { MarkHistory } from '@plesion/contract';
import { CATCH_WORDS, CATCHES, readBack, ringOf } from '@plesion/core/fieldwork';
import type { Guide } from '@plesion/core/guide';
import { sayDate } from '../../lib/dates';
import { colour } from '../../theme';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Disclosure } from '../../ui/Disclosure';
import { LinkBox } from '../../ui/LinkBox';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
import { bears, type Typed } from './typed';
import { inWords, kindName } from './words';

interface RingPanelProps {
  typed: Typed;
  change: (part: Partial<Typed>) => void;
  /** The ring that is offered. */
  offered?: string;
  /** Its size, and how many are left. */
  aside?: string;
  guide: Guide;
  history?: MarkHistory | null;
  says: (field: string) => string | undefined;
}

/** What became of it, and the ring it bears: the next one offered, or one that is read twice. */
export function RingPanel({ typed, change, offered, aside, guide, history, says }: RingPanelProps) {
  const entry = (
    <Stack gap="m">
      <TextField
        label={typed.what === 'again' ? 'Ring on its leg' : 'Another ring than the one offered'}
        value={typed.mark}
        onChangeText={(mark) => change({ mark })}
        problem={says('mark')}
        autoCapitalize="characters"
        autoCorrect={false}
        maxLength={20}
        placeholder="H 04517"
      />
      {ringOf(typed.mark) && (
        <TextField
          label="Read it a second time"
          value={typed.markAgain}
          onChangeText={(markAgain) => change({ markAgain })}
          problem={says('markAgain')}
          hint={`First read: ${readBack(ringOf(typed.mark)!)}`}
          autoCapitalize="characters"
          autoCorrect={false}
          maxLength={20}
        />
      )}
    </Stack>
  );
  return (
    <Stack gap="m">
      <ChoiceGroup
        label="What became of it"
        hideLabel
        options={CATCHES.map((id) => ({
          id,
          label: id === 'ringed' ? 'new ring' : id === 'other-kind' ? 'other kind' : CATCH_WORDS[id],
        }))}
        chosen={[typed.what]}
        onChange={([what]) => change({ what, mark: '', markAgain: '', reasons: {} })}
      />
      {typed.what === 'ringed' && (
        <>
          <Row
            gap="m"
            align="baseline"
            pad="m"
            round="m"
            tone="kelpWash"
            accessible
            accessibilityLabel={offered ? `Ring offered: ${readBack(offered)}` : 'No ring is offered'}
          >
            <Text size="title" strong figures color={colour.kelp}>
              {offered ? readBack(ringOf(typed.mark) ?? offered) : 'no ring loaded'}
            </Text>
            <Text size="small" quiet>
              {ringOf(typed.mark) ? 'typed' : (aside ?? '')}
            </Text>
          </Row>
          {typed.mark || !offered ? entry : <Disclosure title="Another ring">{entry}</Disclosure>}
        </>
      )}
      {typed.what === 'again' && entry}
      {bears(typed.what) && history && <Known history={history} guide={guide} />}
    </Stack>
  );
}

/** Who bears it already. */
function Known({ history, guide }: { history: MarkHistory; guide: Guide }) {
  const last = history.captures.at(-1)!;
  const sexed = history.captures.findLast(({ sex }) => sex && sex !== 'unknown');
  return (
    <LinkBox
      href={`/field/rings/${encodeURIComponent(history.mark)}`}
      gap="hair"
      justify="center"
      pad="m"
      round="m"
      tone="kelpWash"
    >
      <Text strong>{kindName(guide, last)}</Text>
      <Text size="small">
        {[
          `${inWords(history.captures.length, 'capture')}, the last ${sayDate(last.at)}`,
          last.age && `then ${last.age.code}`,
          sexed?.sex,
        ]
          .filter(Boolean)
          .join(' · ')}
      </Text>
    </LinkBox>
  );
}
