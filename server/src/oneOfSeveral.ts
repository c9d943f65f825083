import { ignore } from '@longbar/core';
import { hearConsole, logOf } from './log';
import { serve } from './serve';
import { logLevelFrom } from './settings';

/*
 * One of several processes that serve one database, as its environment has it. It ends with the one
 * that began it.
 */
const [, , demo, web] = process.argv;
const logger = logOf(logLevelFrom(process.env.LOG_LEVEL));
hearConsole(logger);
try {
  const served = await serve({ demo: demo === 'demo', web: web || undefined }, process.env, logger);
  let closing = false;
  const close = async () => {
    if (closing) return;
    closing = true;
    await served.close();
    process.exit(0);
  };
  // Asked to end, or left alone: what is being answered is answered.
  for (const signal of ['SIGTERM', 'SIGINT', 'disconnect']) process.on(signal, () => void close());
  const { demoLoaded, firstLink } = served;
  process.send?.({ demoLoaded, firstLink });
} catch (error) {
  const why = error instanceof Error ? error.message : String(error);
  process.send?.({ why }, undefined, undefined, () => process.exit(1));
  ignore('it is told where it was begun')(error);
}
