import { type CompiledGuide, type NamePart, typesetName } from '../guide/working';
import { compareForms } from './compare';
import { lookalikesOf } from './lookalikes';
import { namesOf } from './paragraph';

/** Look-alikes less likely to be mistaken than this are told apart at a glance: there is nothing to say. */
const WORTH_SAYING = 1e-6;

/**
 * What a description should begin with: the form of another taxon that this one is
 * most easily taken for, and how the two are told apart. Undefined where nothing
 * comes near.
 */
export function apartFrom(compiled: CompiledGuide, formId: string): NamePart[] | undefined {
  const near = lookalikesOf(compiled, formId, compiled.forms.length).find(({ sameTaxon }) => !sameTaxon);
  if (!near || near.error < WORTH_SAYING) return undefined;
  const { forms, typeset } = compareForms(compiled, [formId, near.form]);
  const [, name] = namesOf(compiled, forms);
  return [{ text: 'Most easily taken for ', italic: false }, ...typesetName(name), { text: '. ', italic: false }, ...typeset];
}
