import type { StoredGuide } from '@plesion/contract';
import type { Colony } from '@plesion/contract/colony';
import { type Chart, drawnBook, type SymbolFacts } from '@plesion/core/pedigree';
import { useCallback, useMemo } from 'react';
import { useWindowDimensions, View } from 'react-native';
import { useAddress } from '../../lib/useAddress';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Disclosure } from '../../ui/Disclosure';
import { DownloadButton } from '../../ui/DownloadButton';
import { PageHeading } from '../../ui/PageHeading';
import { Picker } from '../../ui/Picker';
import { Row } from '../../ui/Row';
import { Screen } from '../../ui/Screen';
import { Empty, Failed, Loading } from '../../ui/states';
import { Text } from '../../ui/Text';
import { sheetUrl } from './colonyApi';
import { ChosenMember } from './ChosenMember';
import { plateOfMember } from './MemberPlate';
import { PedigreeSurface } from './PedigreeSurface';
import { PedigreeWords } from './PedigreeWords';
import { stepIn } from './stepIn';
import { StrainKey } from './StrainKey';
import { useBook } from './useBook';
import { usePedigree } from './usePedigree';
import { hiddenIn } from './words';

const MIN_HEIGHT = 320;
/** More are not drawn at once: one chooses whose line. */
const MOST_DRAWN = 400;

const NOBODY = { kin: [], facts: new Map<string, SymbolFacts>() };

/** The pedigree of a book, drawn. */
export function PedigreeScreen() {
  const [{ guide }] = useAddress(['guide'], 0);
  const { book, error, retry } = useBook(guide);
  return guide ? (
    <AsyncScreen what="The pedigree" value={book} error={error} retry={retry}>
      {(own) => <Pedigree guideId={guide} colony={own.colony} known={own.known} />}
    </AsyncScreen>
  ) : (
    <Screen>
      <PageHeading>Pedigree</PageHeading>
      <Empty title="Of which book?">Open the pedigree from the keeper’s book.</Empty>
    </Screen>
  );
}

function Pedigree({ guideId, colony, known }: { guideId: string; colony: Colony; known: StoredGuide }) {
  const { guide } = known;
  const [{ one: chosen, of, toward, carries, folded = '' }, setAddress] = useAddress(
    ['one', 'of', 'toward', 'carries', 'folded'],
    0,
  );
  const { height } = useWindowDimensions();
  const hidden = useMemo(() => hiddenIn(guide), [guide]);
  const looked = hidden.find(({ id }) => id === carries);
  const asked = useMemo(
    () =>
      drawnBook(colony.members, colony.posterior, {
        ...(of ? { focus: { of, toward: toward === 'descendants' ? toward : 'ancestors' } } : {}),
        folded: new Set(folded.split(',').filter(Boolean)),
        ...(looked ? { carries: { locus: looked.locus, allele: looked.allele } } : {}),
      }),
    [colony, of, toward, folded, looked],
  );
  const many = asked.kin.length > MOST_DRAWN;
  const { drawn, busy, error, retry } = usePedigree(many ? NOBODY : asked, known);
  const { kin, facts } = drawn && !many ? drawn : asked;
  const members = useMemo(() => new Map(colony.members.map((one) => [one.id, one])), [colony]);
  const strains = useMemo(() => [...new Set([...facts.values()].flatMap(({ shares }) => Object.keys(shares)))].sort(), [facts]);
  const plateOf = useCallback(
    (id: string) => {
      const told = colony.posterior?.individuals.find(({ id: name }) => name === members.get(id)!.name);
      return plateOfMember(guide, members.get(id)!, told?.sexP);
    },
    [colony, members, guide],
  );
  const surface = Math.max(MIN_HEIGHT, Math.round(height * 0.56));
  const name = (id: string | undefined) => (id === undefined ? undefined : members.get(id)?.name);
  const way = toward === 'descendants' ? toward : 'ancestors';
  const fileOf = (as: 'svg' | 'pdf') => () =>
    sheetUrl(guideId, {
      as,
      ...(of ? { of, toward: way } : {}),
      ...(folded ? { folded } : {}),
      ...(looked ? { carries: looked.id } : {}),
    });
  return (
    <Screen widest={1600}>
      <PageHeading>Pedigree</PageHeading>
      {colony.members.length === 0 ? (
        <Empty title="Nobody is in the book yet">Write down the founders first, then their young with their parents.</Empty>
      ) : (
        <>
          <Row gap="l" align="end">
            {hidden.length > 0 && (
              <ChoiceGroup
                label="Shade by who may carry"
                options={hidden}
                chosen={looked ? [looked.id] : []}
                clearable
                onChange={([next]) => setAddress({ carries: next })}
              />
            )}
            {strains.length > 1 && <StrainKey strains={strains} />}
          </Row>
          {of && (
            <Row align="center">
              <Text>{`Only the ${way} of ${name(of) ?? 'somebody who is gone'}, ${kin.length} drawn.`}</Text>
              <Button small label="All of the book" onPress={() => setAddress({ of: undefined, toward: undefined })} />
            </Row>
          )}
          {many ? (
            <>
              <Text>{`There are ${kin.length}: too many to be seen at once. Whose ancestors are drawn?`}</Text>
              <Picker
                label="Whose ancestors are drawn"
                items={colony.members.map(({ id, name: label }) => ({ id, label }))}
                onChange={(one) => setAddress({ one, of: one, toward: 'ancestors' })}
              />
            </>
          ) : drawn ? (
            <View aria-busy={busy}>
              <PedigreeSurface
                {...{ facts, plateOf, strains, chosen }}
                chart={drawn.chart}
                onChoose={(one) => setAddress({ one })}
                stepFrom={(id, key) => stepIn(kin, drawn.chart, id, key)}
                height={surface}
                says={`The pedigree of ${kin.length}, in ${generationsIn(drawn.chart)} generations. ${
                  chosen
                    ? `${name(chosen) ?? ''} is chosen; arrow keys go to parents, young and neighbours.`
                    : 'Home chooses the first.'
                }`}
              />
            </View>
          ) : (
            <View style={{ height: surface }}>
              {error ? <Failed error={error} retry={retry} /> : <Loading what="The drawing" />}
            </View>
          )}
          {chosen && members.has(chosen) && facts.has(chosen) ? (
            <ChosenMember
              {...{ guide, colony }}
              member={members.get(chosen)!}
              shade={looked && { label: looked.label, p: facts.get(chosen)!.shade ?? 0 }}
              isFolded={folded.split(',').includes(chosen)}
              hasYoung={
                facts.get(chosen)!.folded > 0 || kin.some(({ fathers, mothers }) => [...fathers, ...mothers].includes(chosen))
              }
              onFocus={(way) => setAddress({ of: chosen, toward: way })}
              onFold={() => {
                const all = folded.split(',').filter(Boolean);
                const next = all.includes(chosen) ? all.filter((id) => id !== chosen) : [...all, chosen];
                setAddress({ folded: next.join(',') || undefined });
              }}
            />
          ) : (
            <Text quiet>
              Touch one to see what it carries. Square: male; circle: female; diamond: not known. Struck through: dead. Two lines:
              mates that are kin. Dashed: a parent in doubt.
            </Text>
          )}
          <Card title="To print">
            <Row align="center">
              <DownloadButton label="SVG" hint="The drawing as SVG" url={fileOf('svg')} />
              <DownloadButton label="PDF" hint="The drawing as PDF" url={fileOf('pdf')} />
            </Row>
          </Card>
          <Disclosure title="The pedigree in words">
            <PedigreeWords kin={kin} facts={facts} />
          </Disclosure>
        </>
      )}
    </Screen>
  );
}

const generationsIn = ({ symbols }: Chart): number => new Set(symbols.map(({ generation }) => generation)).size;
