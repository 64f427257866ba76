import pino, { type DestinationStream, type Logger, stdSerializers } from 'pino';

/** Frames of a stack, without the message that stands above them. */
const framesOf = (stack: string) =>
  stack
    .split('\n')
    .filter((line) => /^\s+at /.test(line))
    .join('\n');

/**
 * A fault as it goes to the log. What a database says of a statement holds what was
 * to be stored, so that only its code and the place are kept.
 */
function told(error: Error & { code?: unknown }) {
  const { type, message, stack } = stdSerializers.err(error);
  if (typeof error.code !== 'string' || !/^[0-9A-Z]{5}$/.test(error.code)) return { type, message, stack };
  return { type, message: `a statement failed with ${error.code}`, stack: framesOf(error.stack ?? '') };
}

/** The one log of the server: nothing that people wrote is in it. */
export const openLog = (level: string, to?: DestinationStream): Logger => pino({ level, serializers: { err: told } }, to);
