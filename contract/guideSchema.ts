import { Guide } from '@plesion/core/guide/schema';
import { z } from 'zod';

/** The JSON Schema of a guide as Plesion JSON, made of the very shapes that guides are read by. */
export const guideJsonSchema = (): object => ({
  ...z.toJSONSchema(Guide, { io: 'input', unrepresentable: 'any' }),
  title: 'Plesion guide',
});
