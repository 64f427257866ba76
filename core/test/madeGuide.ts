import { guideFromKeys, type KeyGuide } from '../authoring';
import { KeyGuideChoices } from '../authoring/schema';
import { type Guide, readGuide } from '../guide';
import { type Key, readKeyText } from '../keys';

export const NONE = KeyGuideChoices.parse({});
export const keyOf = (text: string, title = 'A key'): Key => {
  const { key } = readKeyText(text, title);
  if (!key) throw new Error('no key');
  return key;
};
export const guideOf = (id: string, keys: readonly Key[], choices: KeyGuideChoices): KeyGuide => {
  const outcome = guideFromKeys(id, keys, choices);
  if (!outcome.ok) throw new Error(outcome.problems[0].message);
  return outcome.value;
};
export const made = (text: string, choices: Partial<KeyGuideChoices> = {}): KeyGuide =>
  guideOf('made', [keyOf(text)], { ...NONE, ...choices });
export const sound = (guide: Guide): Guide => {
  const read = readGuide(guide);
  if (!read.ok) throw new Error(JSON.stringify(read.problems.slice(0, 5)));
  return read.value;
};
/** What each character is told by, in words. */
export const told = ({ characters }: KeyGuide) =>
  characters.map(
    ({ label, kind, contrasts }) =>
      `${label} (${kind}): ${contrasts.map(({ couplet, sides }) => `${couplet} ${sides.map(({ means }) => means).join(' | ')}`).join('; ')}`,
  );
/** The score of a taxon for a character, by their names. */
export const score = ({ guide }: KeyGuide, taxon: string, character: string) => {
  const id = guide.taxa.find(({ name }) => name === taxon)!.id;
  const about = guide.characters.find(({ label }) => label === character)!.id;
  return guide.scores.find((one) => one.scope.taxon === id && one.character === about)?.value;
};
