import type { Issue, MachineDetail } from '@longbar/core';
import { isRefused, localDay } from '@longbar/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useSync } from '../../sync/SyncProvider';
import { space } from '../../theme/tokens';
import { Act } from '../../ui/Act';
import { Row, Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import { Frame } from '../frame/Frame';
import { Coming } from '../shared/Coming';
import { useMachine } from '../shared/useMachine';
import { MachineForm } from './MachineForm';
import { Mistakes } from './Mistakes';
import { OutOfTheYard } from './OutOfTheYard';
import { patchBetween, readMachine, typedFrom } from './typedMachine';

/** What is said of a machine, changed; and the way out of the yard. */
export function ChangeMachineScreen({ id }: { id: string }) {
  const { machine, asked } = useMachine(id);
  // One frame before and after: a finger that rests on a place or on the way back leads there.
  return (
    <Frame
      title={machine?.name ?? 'Machine'}
      aside={machine && 'What is said of it'}
      back={`/machines/${id}`}
    >
      {machine ? <Change machine={machine} /> : <Coming what="the machine" of={asked} />}
    </Frame>
  );
}

function Change({ machine }: { machine: MachineDetail }) {
  const router = useRouter();
  const sync = useSync();
  const { id } = machine;
  const [before] = useState(() => typedFrom(machine));
  const [typed, setTyped] = useState(before);
  const [issues, setIssues] = useState<readonly Issue[]>([]);
  const [problem, setProblem] = useState<string>();
  const back = () => router.replace(`/machines/${id}`);
  const save = async () => {
    const read = readMachine(typed, id, localDay(new Date()));
    setIssues(isRefused(read) ? read.issues : []);
    if (isRefused(read)) return;
    const patch = patchBetween(before, read.machine);
    try {
      if (patch) await sync.sayOfMachine({ kind: 'change', machine: id, patch });
      back();
    } catch (error) {
      setProblem(error instanceof Error ? error.message : String(error));
    }
  };
  return (
    <Stack gap={space.large}>
      <MachineForm typed={typed} onType={setTyped} issues={issues} asksHours={false} />
      {typed.sheet !== before.sheet && (
        <Words as="strong">
          Another sheet means other limits and another interval. Past jobs keep the sheet they were
          done by.
        </Words>
      )}
      {problem !== undefined && (
        <Words color="stop" role="alert">
          This phone could not keep it: {problem}
        </Words>
      )}
      <Mistakes issues={issues} />
      <Row>
        <Act label="Cancel" onPress={back} style={{ flex: 1 }} />
        <Act weight="primary" label="Save" onPress={() => void save()} style={{ flex: 1 }} />
      </Row>
      <OutOfTheYard machine={machine} />
    </Stack>
  );
}
