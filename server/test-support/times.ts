import { times as timesOf } from '../../core/test-support/times';
import { onPostgres } from './demoDatabase';

/**
 * How often what is tried at random is tried, as in core. On the other database it is tried less
 * often: what is tried is the same.
 */
export const times = (usual: number, long: number): number =>
  timesOf(onPostgres ? usual / 5 : usual, long);
