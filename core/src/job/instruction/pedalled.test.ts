import { mayBePedalled } from './pedalled';

const at = { step: 'stop' as const, missing: [] };
const spec = { low: 70_100, target: 70_200, high: 70_300 };

it('records work at the rockers, and no reading that nobody took', () => {
  const adjuster = { ...at, id: 'injector.1', measure: 'height' as const, spec };
  expect(mayBePedalled({ ...at, do: 'mark', id: 'injector.1' })).toBe(true);
  expect(mayBePedalled({ ...adjuster, do: 'lock' })).toBe(true);
  expect(mayBePedalled({ ...adjuster, do: 'read', phase: 'found' })).toBe(false);
  expect(mayBePedalled({ ...adjuster, do: 'settle', phase: 'left', tries: [] })).toBe(false);
});

it('never does what keeps people safe, nor signs', () => {
  expect(mayBePedalled({ ...at, do: 'isolate', isolation: 'battery' })).toBe(false);
  expect(mayBePedalled({ ...at, do: 'hang' })).toBe(false);
  expect(mayBePedalled({ ...at, do: 'clear', what: 'bar' })).toBe(false);
  expect(mayBePedalled({ ...at, do: 'clear', what: 'person', person: 'Ina' })).toBe(false);
  expect(mayBePedalled({ ...at, do: 'restore', isolation: 'battery' })).toBe(false);
  expect(mayBePedalled({ ...at, do: 'run', not: [] })).toBe(false);
  const sign = { incomplete: false, unset: [], outside: [], ran: true, leaks: false };
  expect(mayBePedalled({ ...at, do: 'sign', ...sign })).toBe(false);
  expect(mayBePedalled(undefined)).toBe(false);
});
