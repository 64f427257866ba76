import { inHundred } from '@plesion/core/evidence';
import { COMPANY_KINDS, DEFAULT_WORDS, type FrequencyWord } from '@plesion/core/guide';
import { Suspense, useState } from 'react';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { lazyPart } from '../../ui/lazyPart';
import { Picker } from '../../ui/Picker';
import { Loading } from '../../ui/states';
import { Text } from '../../ui/Text';
import { NamedList } from './NamedList';
import { dropCircumstance, dropPlace, drawYear, meet, metAt, type PlaceList, yearOf } from './places';
import type { PartProps } from './WritingScreen';
import { YearCurve } from './YearCurve';

/** The map is fetched after the rest. */
const RegionMap = lazyPart(
  () => import('./RegionMap'),
  (part) => part.RegionMap,
);

type Company = NonNullable<PartProps['draft']['company']>[number];

/** Where and when each is met, with what, and what may hold as it is seen. */
export function PlacesPart({ draft, scores, edit }: PartProps) {
  const { regions, habitats, circumstances = [], company = [] } = draft;
  return (
    <>
      <NamedList
        title="Regions"
        hint="Parts of the area between which something differs: who lives there, or how they look."
        one="Region"
        of={regions}
        make={(named) => named}
        onChange={(of) => edit({ do: 'part', set: { regions: of }, drop: [] })}
        onDrop={(id) => edit(...dropPlace(draft, scores, 'regions', id))}
      />
      {regions.length > 0 && (
        <Suspense fallback={<Loading what="The map" />}>
          <RegionMap regions={regions} onChange={(of) => edit({ do: 'part', set: { regions: of }, drop: [] })} />
        </Suspense>
      )}
      <NamedList
        title="Habitats"
        hint="Such as pools, ledges, heath."
        one="Habitat"
        of={habitats}
        make={(named) => named}
        onChange={(of) => edit({ do: 'part', set: { habitats: of }, drop: [] })}
        onDrop={(id) => edit(...dropPlace(draft, scores, 'habitats', id))}
      />
      <NamedList
        title="Found with it"
        hint="What speaks for it where it is found beside it: a host, a neighbour, a parent."
        one="Companion"
        of={company}
        make={(named): Company => ({ ...named, kind: COMPANY_KINDS[0] })}
        onChange={(of) => edit({ do: 'part', set: { company: of }, drop: [] })}
        onDrop={(id) => edit(...dropPlace(draft, scores, 'company', id))}
      />
      {company.length > 0 && (
        <Card title="What each companion is">
          {company.map((one) => (
            <ChoiceGroup
              key={one.id}
              label={one.label}
              options={COMPANY_KINDS.map((id) => ({ id, label: id }))}
              chosen={[one.kind]}
              onChange={([kind]: Company['kind'][]) =>
                edit({ do: 'part', set: { company: company.map((own) => (own === one ? { ...own, kind } : own)) }, drop: [] })
              }
            />
          ))}
        </Card>
      )}
      <NamedList
        title="Circumstances"
        hint="What changes how it looks: wind, wet, alarm, a posture. Scores may then hold under one of them."
        one="Circumstance"
        of={circumstances}
        make={(named) => named}
        onChange={(of) => edit({ do: 'part', set: { circumstances: of }, drop: [] })}
        onDrop={(id) => edit(...dropCircumstance(draft, scores, id))}
      />
      <Met draft={draft} edit={edit} />
    </>
  );
}

const WORDS = Object.keys(DEFAULT_WORDS);
const NOT_SAID = 'not said';

/** A share that a guide has in place of a word. */
const sayWord = (word: string): string => (Number.isNaN(Number(word)) ? word : inHundred(Number(word)));

/** Of one taxon: how often it is met in each place, and over the year. */
function Met({ draft, edit }: Pick<PartProps, 'draft' | 'edit'>) {
  const [chosen, setChosen] = useState<string>();
  const taxon = draft.taxa.find(({ id }) => id === chosen);
  const lists: [PlaceList, readonly { id: string; label: string }[]][] = [
    ['regions', draft.regions],
    ['habitats', draft.habitats],
    ['company', draft.company ?? []],
  ];
  return (
    <Card title="Where and when each is met">
      <Text quiet>What is said of a taxon holds for all that stands under it.</Text>
      <Picker
        label="Taxon"
        items={draft.taxa.map(({ id, name, vernacular }) => ({ id, label: name, words: vernacular }))}
        chosen={chosen}
        onChange={setChosen}
      />
      {taxon &&
        lists.flatMap(([list, places]) =>
          places.map(({ id, label }) => {
            const said = metAt(draft, taxon.id, list, id);
            const own = said === undefined ? NOT_SAID : String(said);
            const words = [NOT_SAID, ...WORDS, ...(typeof said === 'number' ? [own] : [])];
            return (
              <ChoiceGroup
                key={`${list} ${id}`}
                label={`${taxon.name}, ${label}`}
                options={words.map((word) => ({ id: word, label: sayWord(word) }))}
                chosen={[own]}
                onChange={([word]) =>
                  edit(meet(draft, taxon.id, list, id, word === NOT_SAID ? undefined : (word as FrequencyWord)))
                }
              />
            );
          }),
        )}
      {taxon && (
        <YearCurve
          key={taxon.id}
          of={taxon.name}
          curve={yearOf(draft, taxon.id)}
          onDraw={(curve) => edit(drawYear(draft, taxon.id, curve))}
        />
      )}
    </Card>
  );
}
