import { Sha256Schema, UuidSchema } from '@longbar/core';
import type { RequestParamHandler } from 'express';
import * as v from 'valibot';
import { wrongField } from '../requestError';

/** An id in a path is a UUID before anything is looked up by it. Throws RequestError 400. */
export const onlyUuid: RequestParamHandler = (_request, _response, next, value: unknown, name) => {
  if (!v.is(UuidSchema, value)) throw wrongField(name, 'An id is a UUID.');
  next();
};

/** A photo's name is the hash of its bytes. Throws RequestError 400. */
export const onlyHash: RequestParamHandler = (_request, _response, next, value: unknown, name) => {
  if (!v.is(Sha256Schema, value)) throw wrongField(name, 'A hash is 64 hexadecimal digits.');
  next();
};

/** A reading of the hour meter is named by its number, or by the job it was read in. */
export const onlyReading: RequestParamHandler = (_request, _response, next, value: unknown) => {
  if (!v.is(UuidSchema, value) && !/^\d{1,15}$/.test(String(value))) {
    throw wrongField('reading', 'A reading is named by its number or its job.');
  }
  next();
};
