export const INVALID = Symbol.for('zod.compile.invalid');
export class ZodCompileAsyncError extends Error {}
export class ZodCompileUnsupportedError extends Error {}

const refuse = () => {
  throw new ZodCompileUnsupportedError('Schemas are not compiled in the page.');
};
export const compile = refuse;
export const compileFn = refuse;
export const withParser = refuse;
