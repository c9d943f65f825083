import type { GaugeFor, Reading } from '@longbar/core';
import { isRefused, readGaugeLine } from '@longbar/core';
import { useEffect, useRef, useState, useSyncExternalStore } from 'react';
import { useDispatch } from 'react-redux';
import { gaugeLink } from '../../../phone/gaugeLink';
import type { PortSettings } from '../../../phone/serial.web';
import { HAS_SERIAL } from '../../../phone/serial.web';
import { simulatedLine } from '../../../phone/simulatedGauge';
import type { Preferences } from '../../../state/preferences';
import { preferencesChanged } from '../../../state/preferences';
import { useAppSelector } from '../../../state/store';
import { Act } from '../../../ui/Act';
import { Fold } from '../../../ui/Fold';
import { OneOf } from '../../../ui/OneOf';
import { Stack } from '../../../ui/Panel';
import { Select } from '../../../ui/Select';
import { Words } from '../../../ui/Words';

type Props = { of: GaugeFor; onRead: (reading: Reading) => void };
type Kind = Preferences['gauge']['kind'];

/** A digital gauge: a line that it sends fills the reading that is asked for. */
export function GaugeInput({ of, onRead }: Props) {
  const { kind } = useAppSelector((state) => state.preferences.gauge);
  const link = useSyncExternalStore(gaugeLink.watch, gaugeLink.current);
  const [refused, setRefused] = useState<string>();
  const [pressed, setPressed] = useState(0);
  const ear = useRef<(line: string) => void>(() => undefined);
  useEffect(() => {
    ear.current = (line) => {
      const answer = readGaugeLine(line, of);
      if (isRefused(answer)) return setRefused(answer.says);
      setRefused(undefined);
      onRead(answer.reading);
    };
  });
  useEffect(() => gaugeLink.listen((line) => ear.current(line)), []);
  const problem = refused ?? link.problem;
  return (
    <Stack>
      {kind === 'simulated' && (
        <Act
          label="Press the gauge’s data button (simulated)"
          onPress={() => {
            setPressed(pressed + 1);
            gaugeLink.hear(simulatedLine(of, pressed));
          }}
        />
      )}
      {problem !== undefined && (
        <Words as="strong" color="stop" role="alert">
          {problem}
        </Words>
      )}
      <Fold title="Digital gauge" holds={HOLDS[kind](link.connected)}>
        <GaugeSettings connected={link.connected} />
      </Fold>
    </Stack>
  );
}

const HOLDS: Record<Kind, (connected: boolean) => string> = {
  typed: () => 'One that types its figure and Enter is heard',
  serial: (connected) => (connected ? 'On the wire: press its data button' : 'Not connected'),
  simulated: () => 'A simulated one',
};

const KINDS: readonly [Kind, string][] = [
  ['typed', 'Types its figure'],
  ['serial', 'On a serial port'],
  ['simulated', 'Simulated'],
];
const RATES = ['1200', '2400', '4800', '9600', '19200', '38400', '57600', '115200'];
/** Data bits, parity and stop bits, as manuals write them. */
const FRAMES: Record<string, Omit<PortSettings, 'baudRate'>> = {
  '8 N 1': { dataBits: 8, parity: 'none', stopBits: 1 },
  '7 E 1': { dataBits: 7, parity: 'even', stopBits: 1 },
  '7 E 2': { dataBits: 7, parity: 'even', stopBits: 2 },
  '7 O 1': { dataBits: 7, parity: 'odd', stopBits: 1 },
  '8 E 1': { dataBits: 8, parity: 'even', stopBits: 1 },
};

/** Which gauge there is, and its port's settings; this phone remembers them. */
function GaugeSettings({ connected }: { connected: boolean }) {
  const dispatch = useDispatch();
  const gauge = useAppSelector((state) => state.preferences.gauge);
  const { kind, baudRate, frame } = gauge;
  const change = (next: Partial<Preferences['gauge']>) =>
    dispatch(preferencesChanged({ gauge: { ...gauge, ...next } }));
  const settings = { baudRate, ...(FRAMES[frame] ?? FRAMES['8 N 1']!) };
  return (
    <>
      <OneOf
        name="Gauge"
        options={KINDS}
        chosen={kind}
        onChoose={(each) => change({ kind: each })}
      />
      {kind === 'typed' && (
        <Words as="note">
          A caliper or a wrench that types: press its button while a reading is asked for. Its
          figure and Enter fill it.
        </Words>
      )}
      {kind === 'serial' && !HAS_SERIAL && (
        <Words as="note">
          This browser has no serial ports, or the page is not served over HTTPS.
        </Words>
      )}
      {kind === 'serial' && HAS_SERIAL && (
        <>
          <Select
            label="Baud"
            value={String(baudRate)}
            options={RATES}
            onChange={(rate) => change({ baudRate: Number(rate) })}
          />
          <Select
            label="Data bits, parity, stop bits"
            value={frame}
            options={Object.keys(FRAMES)}
            onChange={(next) => change({ frame: next })}
          />
          <Act
            label={connected ? 'Disconnect the gauge' : 'Connect the gauge'}
            onPress={() => void (connected ? gaugeLink.disconnect() : gaugeLink.connect(settings))}
          />
        </>
      )}
    </>
  );
}
