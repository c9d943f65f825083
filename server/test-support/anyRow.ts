import * as v from 'valibot';

/** A row as it comes: a test looks at all of it. */
export const AnyRow = v.looseObject({});
