import type { Issue } from '@longbar/core';
import { isRefused, localDay } from '@longbar/core';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { useState } from 'react';
import { v4 as uuid } from 'uuid';
import { useSync } from '../../sync/SyncProvider';
import { space } from '../../theme/tokens';
import { Act } from '../../ui/Act';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import { Frame } from '../frame/Frame';
import { MachineForm } from './MachineForm';
import { Mistakes } from './Mistakes';
import { EMPTY, readMachine } from './typedMachine';

/** A new machine of the yard; it is there at once, with signal or without. */
export function AddMachineScreen() {
  const router = useRouter();
  const sync = useSync();
  const { sheet = '' } = useLocalSearchParams<{ sheet?: string }>();
  const [typed, setTyped] = useState({ ...EMPTY, sheet });
  const [issues, setIssues] = useState<readonly Issue[]>([]);
  const [problem, setProblem] = useState<string>();
  const save = async () => {
    const id = uuid();
    const read = readMachine(typed, id, localDay(new Date()));
    setIssues(isRefused(read) ? read.issues : []);
    if (isRefused(read)) return;
    const { machine, hours } = read;
    try {
      await sync.sayOfMachine(
        { kind: 'machine', machine },
        ...(hours ? [{ kind: 'hours' as const, machine: id, reading: hours }] : []),
      );
      router.replace(`/machines/${id}`);
    } catch (error) {
      setProblem(error instanceof Error ? error.message : String(error));
    }
  };
  return (
    <Frame title="A new machine" back="/">
      <Stack gap={space.large}>
        <MachineForm typed={typed} onType={setTyped} issues={issues} asksHours />
        {problem !== undefined && (
          <Words color="stop" role="alert">
            This phone could not keep it: {problem}
          </Words>
        )}
        <Mistakes issues={issues} />
        <Act weight="primary" label="Add the machine" onPress={() => void save()} />
      </Stack>
    </Frame>
  );
}
