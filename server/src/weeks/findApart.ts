import { inOwnProcess } from '../ownProcess';
import { RequestError } from '../requestError';
import type { FindWeeks } from './findWeeks';

/** Longer than it looks, with its start and its end, ms. */
const MOST = 30_000;

/** The same outside the process that answers. Throws RequestError 503. */
export const findApart: FindWeeks = (problem) =>
  new Promise((resolve, reject) => {
    const child = inOwnProcess('offerWeeks');
    const fail = () => reject(new RequestError(503, 'No plan was found in time. Try again.'));
    const limit = setTimeout(() => child.kill('SIGKILL'), MOST);
    child.once('message', (text) => resolve(JSON.parse(String(text))));
    child.once('error', fail);
    child.once('exit', () => {
      clearTimeout(limit);
      // It has told by then, or never will.
      setImmediate(fail);
    });
    child.send(JSON.stringify(problem));
  });
