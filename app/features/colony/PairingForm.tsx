import type { Colony } from '@plesion/contract/colony';
import { useRouter } from 'expo-router';
import { v7 as mintId } from 'uuid';
import { z } from 'zod';
import { today } from '../../lib/dates';
import { useKeptState } from '../../lib/useKeptState';
import { useParams } from '../../lib/useParams';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Notice } from '../../ui/Notice';
import { PageHeading } from '../../ui/PageHeading';
import { Row } from '../../ui/Row';
import { Screen } from '../../ui/Screen';
import { Stack } from '../../ui/Stack';
import { TextField } from '../../ui/TextField';
import { pairingDrafts, sendRecord } from '../records/bookDrafts';
import { useSession } from '../session/useSession';
import { KnownField } from './KnownField';
import { useBook } from './useBook';
import { useColonyWrite } from './useColonyWrite';
import { WhoPicker } from './WhoPicker';
import { penNamesIn } from './words';

/** As it is typed; kept over a reload. */
const Typed = z.object({
  id: z.string(),
  fathers: z.array(z.string()),
  mothers: z.array(z.string()),
  pen: z.string(),
  from: z.string(),
  override: z.string(),
});

/** Put two together, or a group. */
export function NewPairing() {
  const { guide: guideId, father, mother } = useParams<{ guide: string; father?: string; mother?: string }>();
  const { book, error, retry } = useBook(guideId);
  return (
    <AsyncScreen what="The keeper’s book" value={book} error={error} retry={retry}>
      {({ colony }) => (
        <Screen widest={860}>
          <PageHeading>New pairing</PageHeading>
          <PairingForm {...{ guideId, colony, father, mother }} />
        </Screen>
      )}
    </AsyncScreen>
  );
}

function PairingForm({ guideId, colony, father, mother }: { guideId: string; colony: Colony; father?: string; mother?: string }) {
  const router = useRouter();
  const [typed, change, forget] = useKeptState(`pairing.${guideId}`, Typed, {
    ...{ id: mintId(), from: today(), pen: '', override: '' },
    fathers: father ? [father] : [],
    mothers: mother ? [mother] : [],
  });
  const station = useSession().station.id;
  const { write, busy, problem, setProblem, at } = useColonyWrite(
    guideId,
    () => {
      const { id, fathers, mothers, from } = typed;
      const [pen, override] = [typed.pen.trim(), typed.override.trim()];
      const more = { ...(pen ? { pen } : {}), ...(override ? { override } : {}) };
      const body = { version: 0, hidden: false, guideId, fathers, mothers, from, clutches: [], ...more };
      return sendRecord(pairingDrafts, station, id, body);
    },
    () => {
      forget();
      router.replace(`/field/colony/pairings/${typed.id}?guide=${guideId}`);
    },
  );
  const able = (not: 'female' | 'male') =>
    colony.members
      .filter(({ kept }) => kept.status === 'here' && !(kept.sex?.called === not && kept.sex.certainty === 1))
      .map(({ id, name }) => ({ id, label: name }));
  const stopped = problem?.field === 'override';
  const submit = () => {
    if (!typed.fathers.length) return setProblem({ field: 'fathers', message: 'Say who is the father, or who may be.' });
    if (!typed.mothers.length) return setProblem({ field: 'mothers', message: 'Say who is the mother, or who may be.' });
    write(undefined);
  };
  return (
    <Card>
      <Stack gap="m">
        <WhoPicker label="Father" items={able('female')} chosen={typed.fathers} onChange={(fathers) => change({ fathers })} />
        {at('fathers') && <Notice kind="problem">{at('fathers')!}</Notice>}
        <WhoPicker label="Mother" items={able('male')} chosen={typed.mothers} onChange={(mothers) => change({ mothers })} />
        {at('mothers') && <Notice kind="problem">{at('mothers')!}</Notice>}
        <KnownField
          label="Pen or cage"
          value={typed.pen}
          onChange={(pen) => change({ pen })}
          known={penNamesIn(colony)}
          problem={at('pen')}
        />
        <TextField
          label="From"
          value={typed.from}
          onChangeText={(from) => change({ from })}
          hint="As YYYY-MM-DD."
          problem={at('from')}
        />
        {(stopped || typed.override !== '') && (
          <>
            {stopped && <Notice kind="problem">{problem.message}</Notice>}
            <TextField
              label="Why all the same"
              value={typed.override}
              onChangeText={(override) => change({ override })}
              hint="It is kept with the pairing; their young keep their share of both strains."
              multiline
            />
          </>
        )}
        {problem && !['fathers', 'mothers', 'pen', 'from', 'override'].some((field) => problem.field?.startsWith(field)) && (
          <Notice kind="problem">{problem.message}</Notice>
        )}
        <Row justify="end">
          <Button kind="main" label="Pair them" busy={busy} onPress={submit} />
        </Row>
      </Stack>
    </Card>
  );
}
