import { Redirect, useRouter } from 'expo-router';
import { useEffect } from 'react';
import { StyleSheet, View } from 'react-native';
import { useSync } from '../../sync/SyncProvider';
import { holdVersion } from '../../sync/version';
import { space } from '../../theme/tokens';
import { useTokens } from '../../theme/ThemeProvider';
import { Words } from '../../ui/Words';
import { Act } from '../../ui/Act';
import { Stack } from '../../ui/Panel';
import { useMay } from '../people/useMay';
import { StillDrawing } from '../shared/StillDrawing';
import { Abandoned } from './frame/Abandoned';
import { JobView } from './JobView';
import { useAwake } from './model/useAwake';
import { useJob } from './model/useJob';

/** A job as this phone's person may see it: to work at, to help at, or to read. */
export function JobScreen({ id }: { id: string }) {
  const mayWork = useMay('technician');
  const mayHelp = useMay('helper');
  if (mayWork) return <JobAtWork id={id} />;
  return <Redirect href={`/jobs/${id}/${mayHelp ? 'helper' : 'record'}`} />;
}

/** The job, full screen: the present step, the map, and the way ahead. */
function JobAtWork({ id }: { id: string }) {
  const { job, problem, journal, drawn } = useJob(id);
  const { recording } = useSync();
  const tokens = useTokens();
  const router = useRouter();
  useEffect(() => holdVersion(), []);
  useAwake(job !== undefined && !job.state.signed && !job.state.abandoned);
  if (!job) {
    return (
      <Stack style={{ padding: space.large, backgroundColor: tokens.ground, flex: 1 }}>
        <Words as="heading">{problem ? 'This job cannot be opened' : 'Opening the job …'}</Words>
        {problem && (
          <Words>This phone has not seen it, and the server did not give it: {problem}</Words>
        )}
        {problem && <Act label="Back to the yard" onPress={() => router.replace('/')} />}
      </Stack>
    );
  }
  if (job.state.abandoned) return <Abandoned job={job} />;
  return (
    <View style={styles.screen}>
      <StillDrawing of={recording} drawn={false} />
      <StillDrawing of={journal} drawn={drawn} />
      <JobView job={job} />
    </View>
  );
}

const styles = StyleSheet.create({ screen: { flex: 1, minHeight: 0 } });
