import { createServer } from 'node:http';
import Ajv2020 from 'ajv/dist/2020';
import { DescribedAnswers } from '../../test-support/describedAnswers';
import { ENDPOINT_NAMES } from './rules';
import { startTestServer } from '../../test-support/testServer';

/** What a client makes of the description: each place it leads to, wherever it stands. */
function* placesIn(value: unknown): Generator<string> {
  if (typeof value !== 'object' || value === null) return;
  for (const [key, each] of Object.entries(value)) {
    if (key === '$ref' && typeof each === 'string') yield each;
    else yield* placesIn(each);
  }
}

it('is told to anybody, names every endpoint once, and leads nowhere in vain', async () => {
  const server = await startTestServer({ empty: true });
  try {
    const response = await fetch(`${server.url}/openapi.json`);
    expect(response.status).toBe(200);
    const api = await response.json();
    expect(api.openapi).toBe('3.1.0');
    const told = Object.entries(api.paths as object).flatMap(([path, methods]) =>
      Object.keys(methods).map((method) => `${method.toUpperCase()} ${path}`),
    );
    const asTold = ENDPOINT_NAMES.map((name) => name.replace(/:(\w+)/g, '{$1}'));
    expect(told.sort()).toEqual(asTold.sort());
    const ids = Object.values(api.paths as object).flatMap((methods) =>
      Object.values(methods as Record<string, { operationId: string }>).map((o) => o.operationId),
    );
    expect(new Set(ids).size).toBe(ids.length);
    const places = new Set(placesIn(api));
    expect(places.size).toBeGreaterThan(60);
    for (const place of places) {
      const [, , section, name] = place.split('/');
      expect([place, section, name! in api.components.schemas]).toEqual([place, 'schemas', true]);
    }
    expect(api.components.securitySchemes.phone.name).toBe(server.cookie.split('=')[0]);
    // Each schema is one: what is told wrong would be found by nobody's check of an answer.
    const ajv = new Ajv2020({ strict: false, validateFormats: false });
    for (const schema of Object.values(api.components.schemas)) {
      expect(ajv.validateSchema(schema as object)).toBe(true);
    }
  } finally {
    await server.close();
  }
});

it.each([
  ['{"ok":"yes","run":"test","demo":false}', /health answers what is not told: \/ok/],
  ['{"ok":true,"run":"test","demo":false,"more":1}', /not told: .*additional/],
])('is what the answers of every test are held against', async (body, fault) => {
  const described = new DescribedAnswers();
  const wrong = createServer((request, response) => {
    described.hear(request, response);
    response.setHeader('content-type', 'application/json').end(body);
  });
  await new Promise<void>((resolve) => wrong.listen(0, '127.0.0.1', resolve));
  const address = wrong.address();
  const port = typeof address === 'object' ? address?.port : 0;
  await (await fetch(`http://127.0.0.1:${port}/api/health`)).text();
  await new Promise((resolve) => wrong.close(resolve));
  expect(() => described.end()).toThrow(fault);
});
