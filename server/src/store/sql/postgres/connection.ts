import { Socket } from 'node:net';
import type { ClientConfig } from 'pg';

/**
 * A connection by which nothing comes or goes for so long is given up, ms: a cable that was pulled says
 * nothing, and neither does a server that is gone. No single statement takes that long.
 */
export const PATIENCE = 60_000;

/**
 * The server looks after 10 s whether whoever says nothing is still there, and lets go of them when
 * three such looks were not answered: else whoever was cut off would keep a shop locked for hours.
 */
const LOOKED_AFTER = ['idle=10', 'interval=10', 'count=3'].map((how) => `-c tcp_keepalives_${how}`);

/** How each connection is made: both ends let go of it once the other says nothing any more. */
export function heedful(patience: number) {
  return {
    keepAlive: true,
    connectionTimeoutMillis: 10_000,
    idle_in_transaction_session_timeout: patience,
    options: LOOKED_AFTER.join(' '),
    stream() {
      const socket = new Socket();
      const silent = () => socket.destroy(new Error('Connection terminated: it was silent.'));
      return socket.setTimeout(patience, silent);
    },
  } satisfies ClientConfig;
}
