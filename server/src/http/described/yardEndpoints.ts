import {
  ChecksSchema,
  FleetPostSchema,
  FleetsSchema,
  FoundSchema,
  HookPostSchema,
  HooksSchema,
  HoursCorrectionSchema,
  HoursFileSchema,
  HoursFoundSchema,
  HoursPostSchema,
  MachineDetailSchema,
  MachineLinesSchema,
  MachinePatchSchema,
  MachinePostSchema,
  NewHookSchema,
  OfferSchema,
  PlanPutSchema,
  PlansPostSchema,
  SearchSchema,
  WaitingAnswerSchema,
  WeeksSchema,
} from '@longbar/core';
import * as v from 'valibot';
import { PaperSchema, RetiredSchema } from '../queries';
import type { EndpointName } from '../rules';
import type { Endpoint } from './endpoint';

/** The machines of the yard, their hours and what falls due. */
export const YARD_ENDPOINTS = {
  'GET /machines': {
    does: 'Lists the machines of the yard with their hours and what falls due.',
    query: RetiredSchema,
    answers: { 200: MachineLinesSchema },
  },
  'POST /machines': {
    does: 'Brings a machine into the yard. Sent again under the same id it changes nothing.',
    takes: MachinePostSchema,
    answers: { 200: MachineDetailSchema, 201: MachineDetailSchema },
  },
  'GET /machines/:id': {
    does: 'Tells all of a machine: its sheet, readings, jobs, findings and what falls due.',
    answers: { 200: MachineDetailSchema },
  },
  'PATCH /machines/:id': {
    does: 'Changes what is told of a machine. What is left out stays, what is null is taken away.',
    takes: MachinePatchSchema,
    answers: { 200: MachineDetailSchema },
  },
  'DELETE /machines/:id': {
    does: 'Deletes a machine that was never worked on.',
    answers: { 204: null },
  },
  'GET /machines/:id/checks': {
    does: 'Lists the signed checks of a machine, the newest first, each adjuster as found and as left.',
    answers: { 200: ChecksSchema },
  },
  'POST /machines/:id/hours': {
    does: 'Adds a reading of the hour meter.',
    takes: HoursPostSchema,
    answers: { 201: v.object({ date: v.string(), hours: v.number() }) },
  },
  'PATCH /machines/:id/hours/:reading': {
    does: 'Puts a reading of the hour meter right, or takes it back. What stood there is kept.',
    takes: HoursCorrectionSchema,
    answers: { 200: MachineDetailSchema },
  },
  'POST /hours': {
    does: 'Looks at a table of hours, or takes it in.',
    takes: HoursFileSchema,
    answers: { 200: HoursFoundSchema },
  },
  'GET /readings.csv': {
    does: 'Sends every reading of every signed job as a table.',
    answers: { 200: { media: 'text/csv' } },
  },
  'GET /due.ics': {
    does: 'Sends what falls due as a calendar. It is asked with its own secret as `key`.',
    query: v.object({ key: v.optional(v.string()) }),
    answers: { 200: { media: 'text/calendar' } },
  },
  'GET /weeks': {
    does: 'Tells the coming twelve weeks: what is due and planned, and what has to be there for it.',
    answers: { 200: WeeksSchema },
  },
  'GET /weeks/plan.pdf': {
    does: 'Sends the plan of the coming weeks on one page.',
    query: PaperSchema,
    answers: { 200: { media: 'application/pdf' } },
  },
  'POST /weeks/offer': {
    does: 'Works out the best weeks for what nobody has planned. It plans nothing.',
    answers: { 200: OfferSchema },
  },
  'POST /weeks': {
    does: 'Puts machines into weeks, all of them or none.',
    takes: PlansPostSchema,
    answers: { 200: WeeksSchema },
  },
  'PUT /weeks/:id': {
    does: 'Puts a machine into a week, or takes it out of the plan.',
    takes: PlanPutSchema,
    answers: { 200: WeeksSchema },
  },
  'GET /search': {
    does: 'Looks for words in machines and jobs.',
    query: SearchSchema,
    answers: { 200: FoundSchema },
  },
  'GET /fleets': {
    does: 'Lists the telematics services that are asked for hours, and the readings that wait.',
    answers: { 200: FleetsSchema },
  },
  'POST /fleets': {
    does: 'Adds a telematics service.',
    takes: FleetPostSchema,
    answers: { 201: FleetsSchema },
  },
  'PUT /fleets/:id': {
    does: 'Changes a telematics service.',
    takes: FleetPostSchema,
    answers: { 200: FleetsSchema },
  },
  'DELETE /fleets/:id': {
    does: 'Asks a telematics service no more.',
    answers: { 200: FleetsSchema },
  },
  'POST /fleets/:id/ask': {
    does: 'Asks a telematics service now.',
    answers: { 200: FleetsSchema },
  },
  'POST /fleets/waiting/:reading': {
    does: 'Settles a reading that waits.',
    takes: WaitingAnswerSchema,
    answers: { 200: FleetsSchema },
  },
  'GET /hooks': {
    does: 'Lists the programs that are told of signed records and of what falls due.',
    answers: { 200: HooksSchema },
  },
  'POST /hooks': {
    does: 'Adds a program and sends it a test. Its secret is told this once.',
    takes: HookPostSchema,
    answers: { 201: NewHookSchema },
  },
  'PUT /hooks/:id': {
    does: 'Tells a program at another address.',
    takes: HookPostSchema,
    answers: { 200: HooksSchema },
  },
  'DELETE /hooks/:id': {
    does: 'Tells a program no more.',
    answers: { 200: HooksSchema },
  },
  'POST /hooks/:id/secret': {
    does: 'Gives a program another secret. It is told this once.',
    answers: { 201: NewHookSchema },
  },
  'POST /hooks/:id/send': {
    does: 'Sends a test, and all that waits or was given up.',
    answers: { 200: HooksSchema },
  },
} satisfies Partial<Record<EndpointName, Endpoint>>;
