import { recordOfState, recordPage } from '@longbar/core';
import { useRouter } from 'expo-router';
import { useMemo } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { API } from '../../api/request';
import { Act } from '../../ui/Act';
import { Row, Stack } from '../../ui/Panel';
import { space } from '../../theme/tokens';
import { useTokens } from '../../theme/ThemeProvider';
import { Words } from '../../ui/Words';
import { Clips } from '../listen/Clips';
import { Attachments } from '../shared/Attachments';
import type { WorkingJob } from '../job/model/workingJob';
import { useJob } from '../job/model/useJob';
import { May } from '../people/May';
import { usualPaper } from '../shared/paper';
import { RecordHeads } from './RecordHeads';
import { RecordTable } from './RecordTable';
import { Sealed } from './Sealed';
import { Sharing } from './Sharing';

/** One finished job as a page for people: as found and as left for every adjuster. */
export function RecordScreen({ id }: { id: string }) {
  const { job, problem } = useJob(id);
  const tokens = useTokens();
  const router = useRouter();
  if (!job) {
    return (
      <Stack style={{ flex: 1, padding: space.large, backgroundColor: tokens.ground }}>
        <Words as="heading">
          {problem ? 'This record cannot be opened' : 'Opening the record …'}
        </Words>
        {problem && <Words>{problem}</Words>}
        <Act label="Back to the yard" onPress={() => router.replace('/')} />
      </Stack>
    );
  }
  return (
    <ScrollView style={{ backgroundColor: tokens.sheet }} contentContainerStyle={styles.page}>
      <Row style={styles.noPrint}>
        <Act
          label="Back"
          name="Back to the machine"
          icon="back"
          onPress={() => router.replace(`/machines/${job.setting.head.machine}`)}
        />
        <Act
          label="PDF"
          icon="save"
          onPress={() => window.open(`${API}/jobs/${id}/record.pdf?paper=${usualPaper()}`)}
        />
        <Act label="Print" icon="print" onPress={() => window.print()} />
      </Row>
      <Record job={job} />
      {job.state.signed && (
        <Stack style={styles.noPrint}>
          <Act
            label="Label for the engine"
            icon="print"
            onPress={() => router.push(`/jobs/${id}/label`)}
          />
          <Act
            label="The record as a file that proves itself"
            icon="save"
            onPress={() => window.open(`${API}/jobs/${id}/record-file`)}
          />
          <May role="technician">
            <Sharing job={id} />
          </May>
        </Stack>
      )}
    </ScrollView>
  );
}

const WIDEST = 820;

function Record({ job }: { job: WorkingJob }) {
  const record = useMemo(() => recordOfState(job.setting, job.state), [job.setting, job.state]);
  const page = useMemo(() => recordPage(record), [record]);
  return (
    <Stack gap={space.large}>
      <View>
        <Words as="title">{job.context.machineName}</Words>
        <Words color="secondInk">{page.about}</Words>
      </View>
      <View style={styles.facts}>
        {page.facts.map(({ name, value }) => (
          <View key={name} style={styles.fact}>
            <Words as="label" color="secondInk">
              {name}
            </Words>
            <Words>{value}</Words>
          </View>
        ))}
      </View>
      <RecordHeads {...{ job, record }} widest={WIDEST} />
      <RecordTable page={page} />
      {page.sections.map(({ title, lines }) => (
        <View key={title}>
          <Words as="strong">{title}</Words>
          {lines.map(({ text, grave }, i) => (
            <Words key={i} as="note" color={grave ? 'stop' : 'ink'}>
              {text}
            </Words>
          ))}
        </View>
      ))}
      <Attachments attached={record.attachments} />
      <Clips noise={record.noise} sheet={job.setting.sheet} />
      <Words as="strong">{page.signature}</Words>
      {page.additions.map((text, i) => (
        <Words key={i} as="note">
          {text}
        </Words>
      ))}
      <Sealed job={job} />
      <Words as="note" color="secondInk">
        {page.footer}
      </Words>
    </Stack>
  );
}

const styles = StyleSheet.create({
  page: {
    padding: space.large,
    gap: space.large,
    width: '100%',
    maxWidth: WIDEST,
    alignSelf: 'center',
  },
  noPrint: { justifyContent: 'space-between', flexWrap: 'wrap' },
  facts: { flexDirection: 'row', flexWrap: 'wrap', columnGap: space.huge, rowGap: space.small },
  fact: { minWidth: 150, maxWidth: '100%' },
});
