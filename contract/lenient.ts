import { z } from 'zod';

const made = new WeakMap<z.ZodType, z.ZodType>();

/**
 * The same shape as it is read from a server that may be newer: fields that this
 * contract does not know are kept, at every depth, so that what is shown, changed
 * and sent back loses nothing. What it does know is still checked.
 */
export function lenient<T extends z.ZodType>(schema: T): T {
  const known = made.get(schema) ?? loosened(schema);
  made.set(schema, known);
  return known as T;
}

const inner = (schema: unknown): z.ZodType => lenient(schema as z.ZodType);

function loosened(schema: z.ZodType): z.ZodType {
  if (schema instanceof z.ZodObject) {
    const shape = Object.entries(schema.shape);
    return z.looseObject(Object.fromEntries(shape.map(([name, part]) => [name, lenient(part)])));
  }
  if (schema instanceof z.ZodArray) return z.array(inner(schema.element));
  if (schema instanceof z.ZodOptional) return inner(schema.unwrap()).optional();
  if (schema instanceof z.ZodNullable) return inner(schema.unwrap()).nullable();
  if (schema instanceof z.ZodDefault) return inner(schema.unwrap()).default(schema.def.defaultValue);
  if (schema instanceof z.ZodUnion) return z.union(schema.options.map(inner));
  if (schema instanceof z.ZodTuple) return z.tuple(schema.def.items.map(inner) as [z.ZodType, ...z.ZodType[]]);
  return schema;
}
