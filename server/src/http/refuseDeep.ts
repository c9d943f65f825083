import type { RequestHandler } from 'express';
import { RequestError } from '../requestError';

/** No sheet, event or list of this application is nested deeper. */
const DEEPEST = 60;

/** Refuses what is nested so deep that whoever walks through it falls. */
export const refuseDeep: RequestHandler = (request, _response, next) => {
  let level: unknown[] = [request.body];
  for (let depth = 0; level.length > 0; depth++) {
    if (depth > DEEPEST) throw new RequestError(400, `Nest at most ${DEEPEST} levels deep.`);
    level = level.flatMap((value) =>
      typeof value === 'object' && value !== null ? Object.values(value) : [],
    );
  }
  next();
};
