import type { Guide } from './schema';

type Report = (field: string, code: string, message: string) => void;

/** Do the rules of a catch look at what the guide has, and can they be broken? */
export function checkField(
  { field, taxa, characters }: Guide,
  report: Report,
  known: (kind: 'taxon', id: string, field: string) => void,
): void {
  const byId = new Map(characters.map((character) => [character.id, character]));
  const seen = new Set<string>();
  field?.checks?.forEach((check, i) => {
    const at = `field.checks[${i}]`;
    if (seen.has(check.id)) report(`${at}.id`, 'id-twice', `“${check.id}” stands twice in field.checks.`);
    seen.add(check.id);
    check.taxa?.forEach((taxon, t) => known('taxon', taxon, `${at}.taxa[${t}]`));
    for (const part of ['when', 'unless'] as const)
      check[part]?.forEach((condition, c) => {
        const place = `${at}.${part}[${c}]`;
        if (condition.kind === 'age' && condition.to !== undefined && condition.to < (condition.from ?? 0))
          report(`${place}.to`, 'bad-range', 'The age ends before it begins.');
        if (
          (condition.kind === 'value' || condition.kind === 'mass') &&
          condition.under === undefined &&
          condition.over === undefined
        )
          report(place, 'no-limit', 'Say under or over what.');
        if (!('character' in condition)) return;
        const character = byId.get(condition.character);
        if (!character) {
          report(`${place}.character`, 'unknown-character', `There is no character “${condition.character}” in this guide.`);
          return;
        }
        if (condition.kind === 'states') {
          const missing = condition.states.find((state) => !character.states?.some(({ id }) => id === state));
          if (missing !== undefined)
            report(`${place}.states`, 'unknown-state', `“${character.label}” has no state “${missing}”.`);
        } else if (character.states)
          report(`${place}.character`, 'not-a-number', `“${character.label}” is told by states, not by a number.`);
      });
  });
  field?.rings?.forEach(({ taxon }, i) => {
    if (!taxa.some(({ id }) => id === taxon)) known('taxon', taxon, `field.rings[${i}].taxon`);
  });
}
