import { formatInstant } from '@longbar/core';
import { useRouter } from 'expo-router';
import { space } from '../../../theme/tokens';
import { useTokens } from '../../../theme/ThemeProvider';
import { Act } from '../../../ui/Act';
import { Stack } from '../../../ui/Panel';
import { Words } from '../../../ui/Words';
import type { WorkingJob } from '../model/workingJob';
import { Reason } from './Reason';

/** A job begun by mistake, before anything was done at the engine: put out of the way, with a reason. */
export function Abandon({ job, onDone }: { job: WorkingJob; onDone: () => void }) {
  return (
    <Reason
      label="Begun by mistake: abandon it, and why"
      given={undefined}
      onGive={(reason) => {
        job.act({ type: 'job.abandoned', reason });
        onDone();
      }}
    />
  );
}

/** What is shown of a job that was abandoned. */
export function Abandoned({ job }: { job: WorkingJob }) {
  const router = useRouter();
  const tokens = useTokens();
  const { abandoned } = job.state;
  const { machine } = job.setting.head;
  return (
    <Stack style={{ padding: space.large, backgroundColor: tokens.ground, flex: 1 }}>
      <Words as="title">Abandoned</Words>
      <Words>
        {abandoned?.by}, {formatInstant(abandoned?.at ?? job.setting.head.at)}: {abandoned?.reason}
      </Words>
      <Words color="secondInk">
        It is kept, and not counted: neither its hours nor a check. The engine was not touched in
        it.
      </Words>
      <Act
        weight="primary"
        label="To the machine"
        onPress={() => router.replace(`/machines/${machine}`)}
      />
      <Act label="To the yard" onPress={() => router.replace('/')} />
    </Stack>
  );
}
