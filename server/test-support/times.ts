import { onPostgres } from './demoDatabase';

/**
 * How often what is tried at random is tried: each time, and where it is let run for long. On the
 * other database it is tried less often: what is tried is the same.
 */
export const times = (usual: number, long: number): number =>
  process.env.LONGBAR_SOAK ? long : Math.ceil(onPostgres ? usual / 5 : usual);
