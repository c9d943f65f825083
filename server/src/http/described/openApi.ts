import {
  ErrorSchema,
  EVENT_SCHEMAS,
  HookMessageSchemas,
  JobEventSchema,
  JobHeadSchema,
  MachineDetailSchema,
  MeSchema,
  PeopleSchema,
  SealSchema,
  SheetDetailSchema,
  SheetSchema,
  SheetsFileSchema,
  ShopHereSchema,
  ShopSchema,
  SignatureSchema,
} from '@longbar/core';
import { toJsonSchema } from '@valibot/to-json-schema';
import type * as v from 'valibot';
import type { EndpointName, Rule } from '../rules';
import { ENDPOINT_NAMES, RULES } from '../rules';
import type { Endpoint, Media } from './endpoint';
import { isMedia } from './endpoint';
import { JOB_ENDPOINTS } from './jobEndpoints';
import { PEOPLE_ENDPOINTS } from './peopleEndpoints';
import { SHEET_ENDPOINTS } from './sheetEndpoints';
import { SHOP_ENDPOINTS } from './shopEndpoints';
import { YARD_ENDPOINTS } from './yardEndpoints';

/** Everything the server answers to. One that has a rule and no description does not compile. */
const ENDPOINTS: Readonly<Record<EndpointName, Endpoint>> = {
  ...YARD_ENDPOINTS,
  ...JOB_ENDPOINTS,
  ...SHEET_ENDPOINTS,
  ...PEOPLE_ENDPOINTS,
  ...SHOP_ENDPOINTS,
};

/** What is told in several places, by the name it is told under. */
const NAMED = {
  Error: ErrorSchema,
  Head: JobHeadSchema,
  Machine: MachineDetailSchema,
  Me: MeSchema,
  People: PeopleSchema,
  Seal: SealSchema,
  Sheet: SheetSchema,
  SheetRevision: SheetDetailSchema,
  Sheets: SheetsFileSchema,
  Shop: ShopSchema,
  ShopHere: ShopHereSchema,
  Signature: SignatureSchema,
} satisfies Record<string, v.GenericSchema>;

type Json = Record<string, unknown>;
/** Whether it comes in or goes out: what has a default may be left out of what comes in. */
type Side = 'input' | 'output';
const refTo = (name: string) => ({ $ref: `#/components/schemas/${name}` });

const names = new Map<unknown, string>(
  Object.entries(NAMED).map(([name, schema]) => [schema, name] as const),
);

/** The name of a schema that has one. What an event is checked by is found by its type. */
function nameOf(schema: object): string | undefined {
  const isEvent = 'getter' in schema && schema.getter === JobEventSchema.getter;
  return isEvent ? 'Event' : names.get(schema);
}

/** What JSON Schema cannot say, such as that gaps add up, is left to the server. */
function schemaOf(schema: v.GenericSchema, typeMode: Side): Json {
  // What it defines beside is the event, which stands under its name.
  const {
    $schema: _,
    $defs: __,
    ...json
  } = toJsonSchema(schema, {
    typeMode,
    target: 'draft-2020-12',
    errorMode: 'ignore',
    overrideSchema: ({ valibotSchema: part }) => {
      const name = Object.is(part, schema) ? undefined : nameOf(part);
      return name === undefined ? null : refTo(name);
    },
  });
  return json;
}

/** What is told in an answer or a request: by its name where it has one. */
function toldAs(schema: v.GenericSchema, side: Side): Json {
  const name = nameOf(schema);
  return name === undefined ? schemaOf(schema, side) : refTo(name);
}

/** Any event of a journal: of a type that is known, or of a later one, which is kept as it is. */
function eventSchemas(): Json {
  const known = [...EVENT_SCHEMAS].map(([type, schema]) => [`Event ${type}`, schema] as const);
  const named = ([name]: readonly [string, unknown]) => name.replace(/[ .]/g, '-');
  return {
    // What a later version adds to an event stays in it.
    ...Object.fromEntries(
      known.map((each) => [
        named(each),
        { ...schemaOf(each[1], 'output'), additionalProperties: true },
      ]),
    ),
    Event: {
      anyOf: [
        ...known.map((each) => refTo(named(each))),
        {
          type: 'object',
          properties: { type: { type: 'string', not: { enum: [...EVENT_SCHEMAS.keys()] } } },
          required: ['id', 'job', 'n', 'at', 'by', 'type'],
          additionalProperties: true,
        },
      ],
    },
  };
}

function namedSchemas(): Json {
  const named = Object.entries(NAMED).map(
    ([name, schema]) => [name, schemaOf(schema, 'output')] as const,
  );
  // A sheet is kept as it was written: what a later version added stays in it.
  const sheet = { ...schemaOf(SheetSchema, 'output'), additionalProperties: true };
  return { ...Object.fromEntries(named), Sheet: sheet };
}

function contentOf(content: v.GenericSchema | Media, side: Side): Json {
  if (isMedia(content)) return { [content.media]: {} };
  return { 'application/json': { schema: toldAs(content, side) } };
}

const WHO: Readonly<Record<Rule, string>> = {
  open: 'Anybody may ask.',
  key: 'Whoever has its secret may ask, and a technician.',
  reader: 'Anybody of the shop may ask.',
  helper: 'A helper may ask, a technician and a foreman.',
  technician: 'A technician may ask, and a foreman.',
  foreman: 'Only a foreman may ask.',
};

function operationOf(name: EndpointName, path: string): Json {
  const { does, query, takes, answers } = ENDPOINTS[name];
  const inPath = [...path.matchAll(/\{(\w+)\}/g)].map(([, each = '']) => ({
    name: each,
    in: 'path',
    required: true,
    schema: { type: 'string' },
  }));
  const inQuery = Object.entries(query?.entries ?? {}).map(([each, schema]) => ({
    name: each,
    in: 'query',
    required: schema.type !== 'optional',
    schema: schemaOf(schema, 'input'),
  }));
  const told = Object.entries(answers).map(([status, content]) => [
    status,
    { description: 'All is well.', ...(content && { content: contentOf(content, 'output') }) },
  ]);
  const refused = { description: 'It was refused.', content: contentOf(ErrorSchema, 'output') };
  return {
    summary: does,
    description: WHO[RULES[name]],
    operationId: name.replace(/[^\w]+/g, '-'),
    parameters: [...inPath, ...inQuery],
    ...(takes && { requestBody: { required: true, content: contentOf(takes, 'input') } }),
    responses: { ...Object.fromEntries(told), default: refused },
    security: RULES[name] === 'open' ? [] : [{ phone: [] }],
  };
}

/** What a program elsewhere is told, as its own endpoint would be described. */
const webhookOf = ([type, schema]: [string, v.GenericSchema]) => [
  type,
  {
    post: {
      summary: `Tells of ${type}. It is signed as docs/api.md says, and sent again until it is taken.`,
      parameters: ['webhook-id', 'webhook-timestamp', 'webhook-signature'].map((name) => ({
        name,
        in: 'header',
        required: true,
        schema: { type: 'string' },
      })),
      requestBody: { required: true, content: contentOf(schema, 'output') },
      responses: { '2XX': { description: 'It was taken.' } },
    },
  },
];

/** The path of an endpoint as OpenAPI writes it. */
const pathOf = (name: string) => name.split(' ')[1]!.replace(/:(\w+)/g, '{$1}');

/**
 * All that the server answers to, as OpenAPI 3.1: made of the schemas by which it checks what comes
 * in and the phones check what it says. `cookie` is the one its phones hold their token in.
 */
export function openApi(cookie: string): Json {
  described ??= describe();
  const phone = { type: 'apiKey', in: 'cookie', name: cookie };
  return {
    ...described.rest,
    components: { schemas: described.schemas, securitySchemes: { phone } },
  };
}

let described: { rest: Json; schemas: Json } | undefined;

function describe() {
  const paths: Record<string, Json> = {};
  for (const name of ENDPOINT_NAMES) {
    const path = pathOf(name);
    const method = name.split(' ')[0]!.toLowerCase();
    paths[path] = { ...paths[path], [method]: operationOf(name, path) };
  }
  const rest = {
    openapi: '3.1.0',
    info: {
      title: 'Long Bar',
      version: '1',
      description:
        'Whole numbers of µm are lengths. What is changed is sent as JSON from the server’s own pages or from no page at all.',
    },
    servers: [{ url: '/api' }],
    paths,
    webhooks: Object.fromEntries(Object.entries(HookMessageSchemas).map(webhookOf)),
  };
  return { rest, schemas: { ...namedSchemas(), ...eventSchemas() } };
}
