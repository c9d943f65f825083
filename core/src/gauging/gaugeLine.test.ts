import type { RefusalCode } from '../result';
import fc from 'fast-check';
import { gaugeLines, readGaugeLine } from './gaugeLine';

const height = { measure: 'height' as const, spec: { low: 63_000, high: 64_000 } };
const lash = { measure: 'lash' as const, spec: { low: 280, high: 380 } };
const preload = { measure: 'preload' as const, spec: { low: 600, high: 1000 } };

it('reads what gauges send, each in its unit', () => {
  expect(readGaugeLine('+63.500 mm', height)).toEqual({
    reading: { go: 63_495, noGo: 63_505, how: 'gauge' },
  });
  expect(readGaugeLine('2.500 in', height)).toHaveProperty('reading.go', 63_495);
  expect(readGaugeLine('0.33', lash)).toHaveProperty('reading.noGo', 335);
  expect(readGaugeLine('0.90 N.m', preload)).toEqual({
    reading: { go: 895, noGo: 905, how: 'wrench' },
  });
});

it('names what it cannot be', () => {
  const refused = (code: RefusalCode, line: string, of: Parameters<typeof readGaugeLine>[1]) =>
    expect(readGaugeLine(line, of)).toEqual({ refused: code, says: expect.any(String) });
  refused('unreadable', 'Err 4', height);
  refused('unreadable', '', height);
  refused('wrong-unit', '63.5 kg', height);
  refused('wrong-unit', '0.90 N.m', height);
  refused('wrong-unit', '63.5 mm', preload);
  refused('implausible', '-63.500 mm', height);
  refused('implausible', '0.000 mm', height);
  refused('implausible', '6350.0 mm', height);
});

it('puts lines together however the port cuts them', () => {
  const line = fc.constantFrom('+1.200 mm', '-0.010 mm', '0.90 N.m');
  fc.assert(
    fc.property(fc.array(line, { maxLength: 8 }), fc.integer({ min: 1, max: 9 }), (sent, cut) => {
      const text = sent.map((each) => `${each}\r\n`).join('');
      let rest = '';
      const found: string[] = [];
      for (let at = 0; at < text.length; at += cut) {
        const came = gaugeLines(rest + text.slice(at, at + cut));
        found.push(...came.lines);
        rest = came.rest;
      }
      expect(found).toEqual(sent);
    }),
  );
  expect(gaugeLines('x'.repeat(5000)).rest.length).toBeLessThan(1000);
});
