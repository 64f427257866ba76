import type { CatchCondition, Guide } from '@plesion/core/guide';
import type { PartProps } from './WritingScreen';

type Draft = PartProps['draft'];
export type Check = NonNullable<NonNullable<Guide['field']>['checks']>[number];
export type Condition = CatchCondition;

/** What a condition may look at, as it is asked for. */
export const CONDITION_KINDS: Record<Condition['kind'], string> = {
  states: 'a character told by states',
  value: 'a measured character',
  mass: 'its mass',
  age: 'its age',
  sex: 'its sex',
  sexBy: 'by what it was sexed',
};

/** `under 210 mm`, `over 40 and under 60 g`. */
function limits({ under, over }: { under?: number; over?: number }, unit: string): string {
  const said = [over !== undefined && `over ${over}`, under !== undefined && `under ${under}`].filter(Boolean).join(' and ');
  return unit ? `${said} ${unit}` : said;
}

const labelOf = (all: readonly { id: string; label: string }[] | undefined, id: string): string =>
  all?.find((one) => one.id === id)?.label ?? id;

/** A taxon by its name; one that is gone by its id, with that it is. */
export const taxonNamed = ({ taxa }: Pick<Draft, 'taxa'>, id: string): string =>
  taxa.find((one) => one.id === id)?.name ?? `${id} (no longer in the guide)`;

/** What a condition looks at, in words: `Wing length under 210 mm`, `sex female or unknown`. */
export function sayCondition({ characters }: Pick<Draft, 'characters'>, condition: Condition): string {
  switch (condition.kind) {
    case 'states': {
      const character = characters.find(({ id }) => id === condition.character);
      return `${labelOf(characters, condition.character)}: ${condition.states.map((id) => labelOf(character?.states, id)).join(' or ')}`;
    }
    case 'value': {
      const unit = characters.find(({ id }) => id === condition.character)?.unit ?? '';
      return `${labelOf(characters, condition.character)} ${limits(condition, unit)}`;
    }
    case 'mass':
      return `mass ${limits(condition, 'g')}`;
    case 'age':
      return `age ${[condition.from !== undefined && `from ${condition.from}`, condition.to !== undefined && `to ${condition.to}`].filter(Boolean).join(' ') || 'known'}`;
    case 'sex':
      return `sex ${condition.sexes.join(' or ')}`;
    case 'sexBy':
      return `sexed by ${condition.methods.map((one) => one.replace('-', ' ')).join(' or ')}`;
  }
}

/** A rule in words: when it is broken, and unless what. */
export function sayCheck(draft: Pick<Draft, 'characters' | 'taxa'>, { taxa, when, unless = [] }: Check): string {
  const of = taxa?.map((id) => taxonNamed(draft, id)).join(', ');
  const said = (all: readonly Condition[]) => all.map((one) => sayCondition(draft, one)).join('; ');
  return `${of ? `${of}: ` : ''}when ${said(when)}${unless.length ? `, unless ${said(unless)}` : ''}`;
}
