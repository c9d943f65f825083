import type { IncomingMessage, ServerResponse } from 'node:http';
import { brotliDecompressSync, gunzipSync, inflateSync } from 'node:zlib';
import type { ValidateFunction } from 'ajv';
import Ajv2020 from 'ajv/dist/2020';
import { openApi } from '../src/http/described/openApi';
import { endpointOf } from '../src/http/rules';

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null;

/** The description, in which an object holds nothing that is not told. */
const document = Object.fromEntries(
  Object.entries(openApi('longbar-test')).map(([key, each]) => [key, closed(each)]),
);
const ajv = new Ajv2020({
  strict: false,
  validateFormats: false,
  validateSchema: false,
  // Each file of tests asks each endpoint some few times: making a check takes longer than all of that.
  code: { optimize: false },
  inlineRefs: false,
});
ajv.addSchema(document, 'api');
const checks = new Map<string, ValidateFunction | undefined>();

const UNPACK: Record<string, (packed: Buffer) => Buffer> = {
  gzip: gunzipSync,
  br: brotliDecompressSync,
  deflate: inflateSync,
};

/** Holds every answer of a server, and what it took, against the description of its API. */
export class DescribedAnswers {
  private readonly faults: string[] = [];

  /** Hears what is answered to a request. */
  hear(request: IncomingMessage, response: ServerResponse): void {
    const asked = new URL(request.url ?? '', 'http://here');
    if (!asked.pathname.startsWith('/api/')) return;
    const parts: Buffer[] = [];
    const { write, end } = response;
    const keep = (part: unknown) => {
      if (typeof part === 'string' || part instanceof Uint8Array) parts.push(Buffer.from(part));
    };
    response.write = (...given: unknown[]) => {
      keep(given[0]);
      return Reflect.apply(write, response, given);
    };
    response.end = (...given: unknown[]) => {
      keep(given[0]);
      return Reflect.apply(end, response, given);
    };
    response.once('finish', () => {
      this.judge(request.method ?? '', asked.pathname.slice(4), response, Buffer.concat(parts));
    });
  }

  /** Hears what was sent and taken. */
  took(method: string, path: string, body: unknown): void {
    const { pathname } = new URL(path, 'http://here');
    const name = endpointOf(method, pathname);
    if (name) this.hold(name, `${at(name)}/requestBody`, () => body);
  }

  /** Throws where something was answered or taken that the description does not tell. */
  end(): void {
    if (this.faults.length > 0) throw new Error([...new Set(this.faults)].join('\n'));
  }

  private judge(method: string, path: string, response: ServerResponse, packed: Buffer): void {
    const name = endpointOf(method, path);
    const { statusCode: status } = response;
    if (!name || method === 'HEAD' || status === 304) return;
    const said = status < 400 ? String(status) : 'default';
    const answers = found(`${at(name)}/responses`);
    if (!isObject(answers) || !(said in answers)) {
      this.faults.push(`${name}: nothing is told of ${status}.`);
      return;
    }
    const type = String(response.getHeader('content-type') ?? '').split(';')[0] ?? '';
    const told = found(`${at(name)}/responses/${said}/content`);
    const media = isObject(told) ? Object.keys(told) : [];
    if (
      !media.includes('*/*') &&
      !(media[0] === undefined ? packed.length === 0 : media.includes(type))
    ) {
      this.faults.push(
        `${name}: ${status} is told as ${media.join(', ') || 'nothing'}, not as ${type}.`,
      );
    } else if (type === 'application/json') {
      const body = UNPACK[String(response.getHeader('content-encoding'))]?.(packed) ?? packed;
      this.hold(name, `${at(name)}/responses/${said}`, () => JSON.parse(body.toString('utf8')));
    }
  }

  /** A file that is JSON by its lines has no schema, and is not read. */
  private hold(name: string, where: string, read: () => unknown): void {
    const path = `${where}/content/application~1json/schema`;
    if (found(path) === undefined) return;
    const known = checks.get(path);
    const check = known ?? ajv.compile({ $ref: `api#${path}` });
    checks.set(path, check);
    if (check(read())) return;
    const [first] = check.errors ?? [];
    const side = where.endsWith('requestBody') ? 'takes' : 'answers';
    this.faults.push(
      `${name} ${side} what is not told: ${first?.instancePath} ${first?.message} ${JSON.stringify(first?.params)}`,
    );
  }
}

/** Where an endpoint stands in the description. */
function at(name: string): string {
  const [method = '', path = ''] = name.split(' ');
  const told = path.replace(/:(\w+)/g, '{$1}').replaceAll('/', '~1');
  return `/paths/${told}/${method.toLowerCase()}`;
}

/** What stands at a JSON pointer of the description. */
function found(pointer: string): unknown {
  const steps = pointer.split('/').slice(1);
  return steps.reduce<unknown>((inside, step) => {
    const key = step.replaceAll('~1', '/');
    return isObject(inside) ? inside[key] : undefined;
  }, document);
}

/** The same where no object holds more than is told of it. */
function closed(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(closed);
  if (!isObject(value)) return value;
  const inside = Object.entries(value).map(([key, each]) => [key, closed(each)] as const);
  const isOpen =
    value.type !== 'object' || !('properties' in value) || 'additionalProperties' in value;
  return { ...Object.fromEntries(inside), ...(!isOpen && { additionalProperties: false }) };
}
