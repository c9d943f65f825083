import type { Request } from 'express';
import type { Database } from '../store/sql/database';
import { demoShop } from '../store/yard/shops';

const LOOPBACK = /^(::ffff:)?127\.|^\[?::1\]?$|^localhost$/;

/**
 * The demo that whoever asks may just step into: no other machine can ask. One that passes others'
 * requests on from this machine names them by another host. Undefined where there is none.
 */
export async function demoAtHand(db: Database, request: Request): Promise<Database | undefined> {
  const { remoteAddress = '', localAddress = '' } = request.socket;
  const ends = [remoteAddress, localAddress, request.hostname ?? ''];
  return ends.every((end) => LOOPBACK.test(end)) ? demoShop(db) : undefined;
}
