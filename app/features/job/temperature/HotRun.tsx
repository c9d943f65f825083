import { useState } from 'react';
import { OneOf } from '../../../ui/OneOf';
import { Stack } from '../../../ui/Panel';
import { Words } from '../../../ui/Words';
import type { StepProps } from '../model/stepProps';
import { useHotLeft } from './useHotLeft';
import { useClock } from '../model/useJob';
import { spell } from '../../shared/spell';
import { temperatureWords } from '../../shared/temperatureWords';

const SHUT_DOWN = [
  [0, 'Just now'],
  [5, '5 min ago'],
  [15, '15 min ago'],
] as const;
const RUNS = [10, 20, 30, 45, 60];

/** Set hot: run so long, shut down, then work against the clock. */
export function HotRun({ job }: Pick<StepProps, 'job'>) {
  const { temperature } = job.setting.sheet;
  const { soakMinutes = 0 } = temperature ?? {};
  const now = useClock(15_000);
  const [ran, setRan] = useState<number | undefined>(job.state.hot?.ran);
  const left = useHotLeft(job);
  const stopped = job.state.hot?.stopped;
  const stop = (minutes: number) =>
    ran !== undefined && job.act({ type: 'hot.stated', stopped: minutesAgo(minutes), ran });
  return (
    <Stack>
      <Words as="heading">Set hot: how long has it run?</Words>
      <Words as="note" color="secondInk">
        {temperature && temperatureWords(temperature)}
      </Words>
      <OneOf
        name="How long it has run"
        options={RUNS.map((minutes) => [minutes, `${minutes} min`] as const)}
        inFull={(minutes) => `Ran ${minutes} min`}
        chosen={ran}
        onChoose={setRan}
        columns="as fit"
      />
      {ran !== undefined && ran < soakMinutes && (
        <Words as="strong" color="act">
          Not hot through yet: run it {spell(soakMinutes)} at least.
        </Words>
      )}
      {ran !== undefined && ran >= soakMinutes && (
        <>
          <Words as="strong">Shut down when?</Words>
          <OneOf
            name="Shut down when?"
            options={SHUT_DOWN}
            inFull={(minutes) => `Shut down ${minutes === 0 ? 'just now' : `${minutes} min ago`}`}
            chosen={SHUT_DOWN.find(([minutes]) => isSince(stopped, minutes, now))?.[0]}
            onChoose={(minutes) => void stop(minutes)}
            columns="as fit"
          />
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

function isSince(stopped: string | undefined, minutes: number, now: string): boolean {
  if (stopped === undefined) return false;
  return Math.abs(Date.parse(now) - Date.parse(stopped) - minutes * 60_000) < 2.5 * 60_000;
}
