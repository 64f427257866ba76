import { inHundred } from '@plesion/core/evidence';
import type { BackCheckItem } from '@plesion/core/keys';
import { useRouter } from 'expo-router';
import { memo } from 'react';
import { v7 as mintId } from 'uuid';
import { colour } from '../../theme/index';
import { Announce } from '../../ui/Announce';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { Card } from '../../ui/Card';
import { PressBox } from '../../ui/PressBox';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { TaxonName } from '../../ui/TaxonName';
import { Text } from '../../ui/Text';
import { WrittenName } from '../../ui/WrittenName';
import { useSession } from '../session/useSession';
import { startDraft } from '../records/drafts';
import type { OpenSpecimen } from '../records/useSpecimens';
import type { OpenWalk } from './useWalk';

/** The end of a walk: the name, whether it may be given, the back-check, and where one might have gone wrong. */
export function WalkEnd({ bench, onShow }: { bench: OpenWalk; onShow: (couplet: string) => void }) {
  const { reached, call, beyond } = bench.result;
  const guide = bench.guide?.guide;
  const router = useRouter();
  const only = bench.lot ? undefined : bench.specimens[0];
  if (!reached) return null;
  const known = guide?.taxa.some(({ id }) => id === reached.taxon);
  return (
    <Stack gap="m">
      <Announce>{`The key comes to ${reached.name}, ${inHundred(reached.p)}. ${call?.text ?? ''}`}</Announce>
      <Card title="The key comes to">
        {known ? <TaxonName guide={guide} taxon={reached.taxon} size={30} /> : <WrittenName name={reached.name} size={30} />}
        <Text quiet>{`${inHundred(reached.p)}, by the decisions and what may have been misread in them`}</Text>
        {beyond.map((text) => (
          <Notice key={text} kind="problem" title="Beyond this key">
            {text}
          </Notice>
        ))}
        {call && (
          <Notice kind="note" title={call.allowed ? 'May be given as its name' : 'Not yet a name'}>
            {call.text}
          </Notice>
        )}
        {bench.lot && (
          <Row>
            {bench.specimens.map(({ id, state }, i) => (
              <Button
                key={id}
                small
                label={state.content.determinations.length ? `No. ${i + 1} has a name` : `Write down no. ${i + 1}`}
                onPress={() => router.push(nameHref({ id, state }, reached.name))}
              />
            ))}
          </Row>
        )}
        {!bench.lot && !only && <KeepSpecimen bench={bench} />}
        {only && (
          <Row>
            <Button kind="main" label="Write it down" onPress={() => router.push(nameHref(only, reached.name))} />
            {only.state.content.guideId && (
              <Button label="To the Bench" onPress={() => router.push(`/specimens/${only.id}/bench`)} />
            )}
          </Row>
        )}
      </Card>
      <Missteps bench={bench} onShow={onShow} />
      <BackCheckSheet bench={bench} />
    </Stack>
  );
}

/** Without a guide the name is written by hand, as the key has it. */
const nameHref = ({ id, state }: Pick<OpenSpecimen, 'id' | 'state'>, name: string) =>
  `/specimens/${id}/name${state.content.guideId ? '' : `?written=${encodeURIComponent(name)}`}` as `/specimens/${string}/name`;

/** A walk that was for no specimen becomes one, with what was ticked as its readings. */
function KeepSpecimen({ bench }: { bench: OpenWalk }) {
  const router = useRouter();
  const station = useSession().station.id;
  const keep = () => {
    const id = mintId();
    startDraft(station, id, {
      version: 0,
      guideId: bench.guide && bench.stored.guideId,
      label: '',
      situation: {},
      readings: bench.guide ? bench.result.readings[0].readings : [],
      walk: bench.kept,
      determinations: [],
      hidden: false,
    });
    bench.restart();
    router.replace(`/keys/${bench.stored.id}/walk?specimen=${id}`);
  };
  return (
    <Row>
      <Button kind="main" label="Save it as a specimen" onPress={keep} />
    </Row>
  );
}

export const Missteps = memo(function Missteps({ bench, onShow }: { bench: OpenWalk; onShow: (couplet: string) => void }) {
  const { missteps } = bench.result;
  if (missteps.length === 0) return null;
  return (
    <Card title="Where you might have gone wrong">
      {missteps.slice(0, 4).map((misstep) => (
        <PressBox
          key={misstep.couplet + misstep.instead}
          role="button"
          onPress={() => onShow(misstep.couplet)}
          gap="m"
          align="center"
          padTop="s"
          ruled="above"
          ruledIn="hairline"
          touch
          across
          oneLine
        >
          <Box fill>
            <Text size="small">{misstep.text}</Text>
            <Text
              size="small"
              quiet
            >{`${misstep.number}${misstep.instead} instead of ${misstep.number}${misstep.taken}; misread ${inHundred(misstep.p)}`}</Text>
          </Box>
          <Text strong figures color={misstep.bits > 0 ? colour.against : colour.quiet}>
            {`${misstep.bits > 0 ? '+' : ''}${misstep.bits.toFixed(1)}`}
          </Text>
        </PressBox>
      ))}
    </Card>
  );
});

const VERDICTS: Record<BackCheckItem['verdict'], { sign: string; word: string; color: string }> = {
  agrees: { sign: '✓', word: 'agrees', color: colour.for },
  seldom: { sign: '~', word: 'unusual', color: colour.quiet },
  against: { sign: '✕', word: 'speaks against', color: colour.against },
  'not-scored': { sign: '·', word: 'not described', color: colour.quiet },
};

function BackCheckSheet({ bench }: { bench: OpenWalk }) {
  const { backCheck } = bench.result;
  if (!backCheck) return null;
  const numberOf = (couplet: string | undefined) => bench.stored.key.couplets.find(({ id }) => id === couplet)?.number;
  const worstFirst = [...backCheck.items].sort((a, b) => Number(b.verdict === 'against') - Number(a.verdict === 'against'));
  return (
    <Card title="Held against the description" aside={`${backCheck.agrees} agree, ${backCheck.against} against`}>
      <Text size="small">{backCheck.text}</Text>
      {worstFirst.map((item, i) => {
        const { sign, word, color } = VERDICTS[item.verdict];
        return (
          <Row key={i} padTop="s" ruled="above" ruledIn="hairline" oneLine>
            <Text strong color={color} wide={20} set="centre" accessibilityLabel={word}>
              {sign}
            </Text>
            <Box fill>
              <Text size="small" strong>
                {item.label}
              </Text>
              <Text size="small" quiet>
                {[
                  item.said,
                  word,
                  item.p !== undefined && item.verdict !== 'agrees' && inHundred(item.p),
                  item.couplet && `couplet ${numberOf(item.couplet)}`,
                ]
                  .filter(Boolean)
                  .join(' · ')}
              </Text>
            </Box>
          </Row>
        );
      })}
    </Card>
  );
}
