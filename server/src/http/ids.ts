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
