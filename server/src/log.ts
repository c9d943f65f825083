import type { Logger } from 'pino';
import { pino } from 'pino';

/**
 * An error as the log holds it: its kind, its words and where it came from. What else hangs on it
 * is left out, for a failed statement carries what was bound to it, names of people among that.
 */
export function errorTold(error: unknown): object {
  if (!(error instanceof Error)) return { message: String(error) };
  const code: unknown = Reflect.get(error, 'code');
  const { name, message, stack } = error;
  return { type: name, message, stack, ...(typeof code === 'string' && { code }) };
}

/** A log of lines of JSON, from this level on. */
export function logOf(level: string, to?: { write: (line: string) => void }): Logger {
  // What is said to a person at a start stands on standard output, apart from it.
  return pino({ level, serializers: { err: errorTold } }, to ?? pino.destination(2));
}

/** What is let go is told to the log at its debug level: `ignore` of core knows a console only. */
export function hearConsole(logger: Logger): void {
  console.debug = (words: unknown, error: unknown) => logger.debug({ err: error }, String(words));
}
