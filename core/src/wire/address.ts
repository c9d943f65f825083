import * as v from 'valibot';
import { wordsUpTo } from '../bounds';

/** Where the server is to ask or tell something elsewhere. */
export const AddressSchema = v.pipe(
  wordsUpTo(500, 'Give the address.'),
  v.regex(/^https?:\/\/\S+$/i, 'The address begins with https:// or http://.'),
);
