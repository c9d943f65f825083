import { ErrorSchema, ignore, SHOP_HEADER } from '@longbar/core';
import type { BaseQueryFn, FetchArgs, FetchBaseQueryError } from '@reduxjs/toolkit/query/react';
import { fetchBaseQuery } from '@reduxjs/toolkit/query/react';
import * as v from 'valibot';
import type { PhoneDatabase } from '../phone/phoneDatabase';
import { openPhoneDatabase } from '../phone/phoneDatabase';
import { phoneDatabaseName, shopHeader } from '../phone/shopOfPhone';
import { phoneChanged } from './phone';
import { isUnanswered } from './unanswered';

type Query = BaseQueryFn<string | FetchArgs, unknown, FetchBaseQueryError>;

/** A network that swallows questions is no answer after this, ms: what is kept stands in. */
const ANSWER_WITHIN = 8000;
/** What is given up may be done all the same: it is waited for longer, ms. */
const DONE_WITHIN = 60_000;

/**
 * Asks the server, and keeps what it answers to a plain question on the phone; where it does
 * not answer, what was kept last stands in, and it is said since when.
 */
export function keepingAnswers(baseUrl: string): Query {
  const ask = fetchBaseQuery({
    baseUrl,
    credentials: 'include',
    prepareHeaders: (headers) => {
      Object.entries(shopHeader()).forEach(([name, value]) => headers.set(name, value));
    },
  });
  const opening = new Map<string, Promise<PhoneDatabase>>();
  return async (args, api, extra) => {
    // By the time it is answered this may be the phone of another shop.
    const [name, meant] = [phoneDatabaseName(), shopHeader()[SHOP_HEADER]];
    const database = () => {
      const opened = opening.get(name) ?? openPhoneDatabase(name);
      opening.set(name, opened);
      return opened;
    };
    const asked = typeof args === 'string' ? { url: args } : args;
    const timeout = asked.method === undefined ? ANSWER_WITHIN : DONE_WITHIN;
    const answer = await ask({ timeout, ...asked }, api, extra);
    if (answer.error?.status === 401) api.dispatch(phoneChanged({ unpaired: true }));
    if (typeof args !== 'string') return answer;
    if (!answer.error) {
      api.dispatch(phoneChanged({ keptSince: null, keptBecause: null, unpaired: false }));
      const kept = { path: args, body: answer.data, at: new Date().toISOString() };
      const by = answer.meta?.response?.headers.get(SHOP_HEADER);
      // Kept with the shop that was there before, it would stand for what that one was.
      if (meant !== undefined && by && by !== meant) return answer;
      // A phone that cannot keep it has shown it all the same.
      void database()
        .then((db) => db.keepAnswer(kept))
        .catch(ignore('a phone that cannot keep an answer has shown it all the same'));
      return answer;
    }
    if (!isUnanswered(answer.error)) return answer;
    const kept = await database()
      .then((db) => db.answer(args))
      .catch(ignore('a phone that kept nothing has nothing to show'));
    if (!kept) return answer;
    api.dispatch(phoneChanged({ keptSince: kept.at, keptBecause: wordsOf(answer.error) }));
    return { data: kept.body };
  };
}

/** What the server says of its failure, where it says anything. */
function wordsOf({ data }: FetchBaseQueryError): string | null {
  const said = v.safeParse(ErrorSchema, data);
  return said.success ? said.output.error.message : null;
}
