import { CLIP_SECONDS } from '@longbar/core';
import { useEffect, useState } from 'react';
import { StyleSheet } from 'react-native';
import { Act } from '../../ui/Act';
import { Caution } from '../../ui/Caution';
import { Row, Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import { space } from '../../theme/tokens';
import type { WorkingJob } from '../job/model/workingJob';
import { usePractising } from '../shared/practising';
import { Clips } from './Clips';
import { Noise } from './Noise';
import { useListening } from './useListening';

type Props = { job: WorkingJob; when: 'before' | 'after' };

const HOW = {
  before:
    'Ten seconds at idle, the phone at the rocker cover. The same after the work tells what has gone.',
  after:
    'Ten seconds at idle, as fast as before and with the phone at the same place of the rocker cover.',
};

/** How the engine sounds at idle: recorded or taken from a file, listened to, and kept in the job. */
export function Listen({ job, when }: Props) {
  const practising = usePractising();
  const { sheet } = job.setting;
  const listening = useListening(sheet, (clip, heard) =>
    job.act({ type: 'noise.heard', when, heard, attachments: [clip] }),
  );
  const told = job.state.noise[when] !== undefined;
  if (practising) return null;
  return (
    <Stack gap={space.small}>
      <Words as="strong">How it sounds at idle, {when}</Words>
      <Words as="note" color="secondInk">
        {HOW[when]}
      </Words>
      {listening.at === 'rest' ? (
        <>
          {!told && (
            <Caution>
              It runs: keep hands, sleeves and the phone clear of fan, belts and hot pipes.
            </Caution>
          )}
          <Row style={styles.wrap}>
            <Act
              label={told ? 'Record it again' : 'Record ten seconds'}
              icon="microphone"
              style={styles.wide}
              onPress={listening.record}
            />
            <Act
              label="Take a sound file"
              icon="add"
              style={styles.wide}
              onPress={listening.pick}
            />
          </Row>
        </>
      ) : (
        <UnderWay at={listening.at} onCancel={listening.cancel} />
      )}
      {listening.problem !== undefined && (
        <Words color="stop" role="alert">
          {listening.problem}
        </Words>
      )}
      {(when === 'after' || told) && (
        <>
          <Noise noise={job.state.noise} />
          <Clips noise={job.state.noise} sheet={sheet} />
        </>
      )}
    </Stack>
  );
}

/** That it records, and for how long still; or that it listens. */
function UnderWay({ at, onCancel }: { at: 'recording' | 'hearing'; onCancel: () => void }) {
  const [passed, setPassed] = useState(0);
  useEffect(() => {
    const timer = setInterval(() => setPassed((seconds) => seconds + 1), 1000);
    return () => clearInterval(timer);
  }, []);
  const left = Math.max(0, CLIP_SECONDS - passed);
  return (
    <Row>
      <Words as="strong" role="status" style={styles.words}>
        {at === 'recording' ? `Recording: ${left} s still, hold the phone quiet` : 'Listening …'}
      </Words>
      <Act label="Cancel" icon="close" onPress={onCancel} />
    </Row>
  );
}

const styles = StyleSheet.create({
  wrap: { flexWrap: 'wrap' },
  // Side by side or one below the other, as wide as the page.
  wide: { flexGrow: 1 },
  words: { flex: 1 },
});
