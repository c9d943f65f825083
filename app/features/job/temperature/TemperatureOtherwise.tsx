import {
  formatTemperature,
  fromFahrenheit,
  missingTemperature,
  readNumber,
  unitsShown,
} from '@longbar/core';
import { useState } from 'react';
import { View } from 'react-native';
import { Act } from '../../../ui/Act';
import { Field } from '../../../ui/Field';
import { OneOf } from '../../../ui/OneOf';
import { Row, Stack } from '../../../ui/Panel';
import { Words } from '../../../ui/Words';
import { Reason } from '../frame/Reason';
import { useClock } from '../model/useJob';
import type { WorkingJob } from '../model/workingJob';

const UNITS = [
  ['°C', '°C'],
  ['°F', '°F'],
] as const;

/** Besides the clock: the metal's own temperature, or a reason why it is read all the same. */
export function TemperatureOtherwise({ job }: { job: WorkingJob }) {
  const now = useClock(15_000);
  const { sheet } = job.setting;
  const { exempted, metal } = job.state;
  const missing = missingTemperature(sheet, job.state, now);
  const told = job.state.coldSince !== undefined || job.state.hot !== undefined || metal;
  return (
    <Stack>
      {sheet.temperature?.metal && <Metal job={job} />}
      {(exempted.temperature || (told && missing.length > 0)) && (
        <Reason
          label="Read it all the same: why"
          given={exempted.temperature?.reason}
          onGive={(reason) => job.act({ type: 'gate.exempted', gate: 'temperature', reason })}
        />
      )}
    </Stack>
  );
}

function Metal({ job }: { job: WorkingJob }) {
  const [text, setText] = useState('');
  const [unit, setUnit] = useState(unitsShown().temperature);
  const { from, to } = job.setting.sheet.temperature?.metal ?? {};
  const { metal } = job.state;
  const typed = readNumber(text) ?? NaN;
  const fine = Number.isFinite(typed);
  const celsius = unit === '°C' ? typed : fromFahrenheit(typed);
  const limits = [
    ...(from === undefined ? [] : [`from ${formatTemperature(from)}`]),
    ...(to === undefined ? [] : [`to ${formatTemperature(to)}`]),
  ];
  return (
    <Stack>
      <Words as="strong">The metal itself, where you can take it: {limits.join(' ')}</Words>
      {metal && (
        <Words>
          {formatTemperature(metal.celsius)}, {metal.by}
        </Words>
      )}
      <Field label="Temperature of the metal" inputMode="decimal" value={text} onChange={setText} />
      <Row>
        <View style={{ flex: 1 }}>
          <OneOf name="Unit" options={UNITS} chosen={unit} onChoose={setUnit} />
        </View>
        <Act
          label="Record it"
          disabled={!fine}
          onPress={() => {
            job.act({ type: 'metal.read', celsius: Math.round(celsius * 10) / 10 });
            setText('');
          }}
        />
      </Row>
    </Stack>
  );
}
