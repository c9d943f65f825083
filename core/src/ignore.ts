/** Every platform that core runs on has one. */
declare const console: { debug: (...words: unknown[]) => void };

/**
 * Lets an error go where it may go, and says why: the one place for it. The console's debug level
 * still tells whoever looks for what went wrong.
 *
 * @example ignore('a sound that is over needs no end')(new Error('closed')) // undefined
 */
export function ignore(why: string): (error: unknown) => undefined {
  return (error) => {
    console.debug(`Let go: ${why}.`, error);
    return undefined;
  };
}
