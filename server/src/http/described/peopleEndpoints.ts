import {
  KeyPutSchema,
  KeyRegisteredSchema,
  MeSchema,
  NamesSchema,
  PairingPostSchema,
  PairingSchema,
  PairSchema,
  PeopleSchema,
  PersonPatchSchema,
  PinPutSchema,
  PinTrySchema,
  PracticeRoundSchema,
  PracticeSchema,
} from '@longbar/core';
import type { EndpointName } from '../rules';
import type { Endpoint } from './endpoint';

/** People, their phones and what they practise. */
export const PEOPLE_ENDPOINTS = {
  'POST /pair': {
    does: 'Pairs whoever asks by a code that a foreman made. The token comes as a cookie.',
    takes: PairSchema,
    answers: { 201: MeSchema },
  },
  'GET /me': {
    does: 'Tells who asks.',
    answers: { 200: MeSchema },
  },
  'DELETE /me': {
    does: 'Lets go of the phone that asks.',
    answers: { 204: null },
  },
  'PUT /me/key': {
    does: 'Registers the public key of a phone. What it signs counts from then on.',
    takes: KeyPutSchema,
    answers: { 200: KeyRegisteredSchema },
  },
  'PUT /me/pin': {
    does: 'Sets one’s own PIN, or takes it away.',
    takes: PinPutSchema,
    answers: { 204: null },
  },
  'GET /people': {
    does: 'Lists the people of the shop with their phones.',
    answers: { 200: PeopleSchema },
  },
  'PATCH /people/:id': {
    does: 'Changes what somebody is called or may do.',
    takes: PersonPatchSchema,
    answers: { 200: PeopleSchema },
  },
  'GET /people/names': {
    does: 'Lists the names that may be tapped on a phone of the shop.',
    answers: { 200: NamesSchema },
  },
  'POST /people/pin': {
    does: 'Tries somebody’s PIN.',
    takes: PinTrySchema,
    answers: { 204: null },
  },
  'POST /people/pairings': {
    does: 'Makes a code that pairs a phone, or a program, with somebody.',
    takes: PairingPostSchema,
    answers: { 201: PairingSchema },
  },
  'DELETE /people/phones/:id': {
    does: 'Lets go of a phone.',
    answers: { 200: PeopleSchema },
  },
  'GET /practice': {
    does: 'Tells how people did in practice: one’s own rounds, a foreman everybody’s.',
    answers: { 200: PracticeSchema },
  },
  'POST /practice': {
    does: 'Keeps a round of practice.',
    takes: PracticeRoundSchema,
    answers: { 204: null },
  },
} satisfies Partial<Record<EndpointName, Endpoint>>;
