import { useState } from 'react';
import { Choice } from '../../../ui/Choice';
import { Row, Stack } from '../../../ui/Panel';
import { RadioGroup } from '../../../ui/RadioGroup';
import { Words } from '../../../ui/Words';
import type { StepProps } from '../model/stepProps';
import { useHotLeft } from './useHotLeft';
import { useClock } from '../model/useJob';
import { spell } from '../../shared/spell';
import { temperatureWords } from '../../shared/temperatureWords';

const SHUT_DOWN = [
  { minutes: 0, label: 'Just now' },
  { minutes: 5, label: '5 min ago' },
  { minutes: 15, label: '15 min ago' },
];
const RUNS = [10, 20, 30, 45, 60];

/** Set hot: run so long, shut down, then work against the clock. */
export function HotRun({ job }: Pick<StepProps, 'job'>) {
  const { temperature } = job.setting.sheet;
  const { soakMinutes = 0 } = temperature ?? {};
  const now = useClock(15_000);
  const [ran, setRan] = useState<number | undefined>(job.state.hot?.ran);
  const left = useHotLeft(job);
  const stop = (minutes: number) =>
    ran !== undefined && job.act({ type: 'hot.stated', stopped: minutesAgo(minutes), ran });
  return (
    <Stack>
      <Words as="heading">Set hot: how long has it run?</Words>
      <Words as="note" color="secondInk">
        {temperature && temperatureWords(temperature)}
      </Words>
      <RadioGroup name="How long it has run">
        <Row style={{ flexWrap: 'wrap' }}>
          {RUNS.map((minutes) => (
            <Choice
              key={minutes}
              label={`${minutes} min`}
              name={`Ran ${minutes} min`}
              chosen={ran === minutes}
              onPress={() => setRan(minutes)}
            />
          ))}
        </Row>
      </RadioGroup>
      {ran !== undefined && ran < soakMinutes && (
        <Words as="strong" color="act">
          Not hot through yet: run it {spell(soakMinutes)} at least.
        </Words>
      )}
      {ran !== undefined && ran >= soakMinutes && (
        <>
          <Words as="strong">Shut down when?</Words>
          <RadioGroup name="Shut down when?">
            <Row style={{ flexWrap: 'wrap' }}>
              {SHUT_DOWN.map(({ minutes, label }) => (
                <Choice
                  key={minutes}
                  label={label}
                  name={`Shut down ${label}`}
                  chosen={
                    job.state.hot !== undefined && isSince(job.state.hot.stopped, minutes, now)
                  }
                  onPress={() => void stop(minutes)}
                />
              ))}
            </Row>
          </RadioGroup>
        </>
      )}
      {left !== undefined && (
        <Words as="strong" color={left > 0 ? 'ink' : 'stop'}>
          {left > 0
            ? `Hot figures hold for ${spell(left)} yet.`
            : 'The hot window is over. Run it hot again.'}
        </Words>
      )}
    </Stack>
  );
}

function minutesAgo(minutes: number): string {
  return new Date(Date.now() - minutes * 60_000).toISOString();
}

function isSince(stopped: string, minutes: number, now: string): boolean {
  return Math.abs(Date.parse(now) - Date.parse(stopped) - minutes * 60_000) < 2.5 * 60_000;
}
