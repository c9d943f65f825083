import { GaugeLink } from './gaugeLink';
import type { PortSettings } from './serial.web';
import { simulatedLine } from './simulatedGauge';

const SETTINGS: PortSettings = { baudRate: 9600, dataBits: 8, parity: 'none', stopBits: 1 };

/** A port that a test sends text through, and pulls out. */
function port() {
  let send: (text: string) => void = () => undefined;
  let end: () => void = () => undefined;
  const closed = new Promise<void>((resolve) => (end = resolve));
  const open = (_: PortSettings, onText: (text: string) => void) => {
    send = onText;
    return Promise.resolve({ closed, close: () => Promise.resolve(end()) });
  };
  return { open, send: (text: string) => send(text), pullOut: () => end() };
}

it('hears whole lines only, and says when the gauge is gone', async () => {
  const wire = port();
  const link = new GaugeLink(wire.open);
  const heard: string[] = [];
  const stop = link.listen((line) => heard.push(line));
  await link.connect(SETTINGS);
  expect(link.current()).toEqual({ connected: true, problem: undefined });
  wire.send('+63.5');
  wire.send('00 mm\r\n+63.');
  expect(heard).toEqual(['+63.500 mm']);
  stop();
  wire.send('510 mm\r\n');
  expect(heard).toHaveLength(1);
  wire.pullOut();
  await new Promise((resolve) => setTimeout(resolve, 0));
  expect(link.current().connected).toBe(false);
});

it('says why a port cannot be opened', async () => {
  const link = new GaugeLink(() => Promise.reject(new Error('No port was chosen.')));
  await link.connect(SETTINGS);
  expect(link.current().problem).toBe('The gauge is not heard: No port was chosen.');
});

it('simulates lines about the middle of what is asked for', () => {
  const of = { measure: 'height' as const, spec: { low: 63_000, high: 64_000 } };
  const lines = [0, 1, 2, 3, 4].map((pressed) => simulatedLine(of, pressed));
  expect(lines[0]).toBe('+63.500 mm');
  expect(new Set(lines).size).toBe(5);
  expect(simulatedLine({ measure: 'preload', spec: { low: 600, high: 1000 } }, 0)).toBe('0.80 N.m');
});
