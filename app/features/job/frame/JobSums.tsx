import { figuresOfJob } from '@longbar/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { Act } from '../../../ui/Act';
import { OneOf } from '../../../ui/OneOf';
import { placeOf } from '../../../ui/placeOf.web';
import { space } from '../../../theme/tokens';
import { useTokens } from '../../../theme/ThemeProvider';
import { Words } from '../../../ui/Words';
import { AnySum } from '../../bench/AnySum';
import type { SumId } from '../../bench/sums';
import { sumOf, SUMS } from '../../bench/sums';
import { useJob } from '../model/useJob';
import type { WorkingJob } from '../model/workingJob';
import { sumCalledFor } from './sumCalledFor';

/** The sums with the figures of the job: the one that is called for first. */
export function JobSums({ id }: { id: string }) {
  const tokens = useTokens();
  const router = useRouter();
  const { job, problem } = useJob(id);
  return (
    <ScrollView style={{ backgroundColor: tokens.ground }} contentContainerStyle={styles.page}>
      <View style={styles.back}>
        <Act
          label="Back to the job"
          icon="back"
          onPress={() => router.replace(placeOf(`/jobs/${id}`))}
        />
      </View>
      {job ? <Sums job={job} /> : <Words>{problem ?? 'Opening the job …'}</Words>}
    </ScrollView>
  );
}

function Sums({ job: { setting, state, instruction } }: { job: WorkingJob }) {
  // What was typed stays while the job goes on beside it.
  const [figures] = useState(() => figuresOfJob(setting, state, instruction));
  const [chosen, choose] = useState<SumId>(() => sumCalledFor(instruction) ?? 'blades');
  return (
    <>
      <OneOf
        name="Sum"
        columns={3}
        options={SUMS.map(({ id, title }) => [id, title] as const)}
        chosen={chosen}
        onChoose={choose}
      />
      <Words as="title">{sumOf(chosen)?.title}</Words>
      <Words color="secondInk">
        It begins with the figures of this job; nothing here is written down.
      </Words>
      <AnySum key={chosen} id={chosen} figures={figures} />
    </>
  );
}

const styles = StyleSheet.create({
  page: {
    padding: space.large,
    gap: space.large,
    width: '100%',
    maxWidth: 720,
    alignSelf: 'center',
  },
  back: { flexDirection: 'row' },
});
