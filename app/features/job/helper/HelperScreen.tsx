import { hangs, mustHangLock, turnsSeenFrom } from '@longbar/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { useAppSelector } from '../../../state/store';
import { EngineDial } from '../../../drawing/EngineDial';
import { Act } from '../../../ui/Act';
import { Caution } from '../../../ui/Caution';
import { Row, Stack } from '../../../ui/Panel';
import { space } from '../../../theme/tokens';
import { useTokens } from '../../../theme/ThemeProvider';
import { Words } from '../../../ui/Words';
import { useMay } from '../../people/useMay';
import { useJobLayout } from '../frame/useJobLayout';
import type { WorkingJob } from '../model/workingJob';
import { useJob } from '../model/useJob';
import { StandsAtOther } from '../position/StandsAtOther';
import { ClearRow } from '../locks/ClearRow';
import { HangLock } from '../locks/HangLock';
import { LinkBoard, way } from './LinkBoard';
import { useLink } from './useLink';

/** For the one under the machine: how far, which way, stop and there, and nothing else. */
export function HelperScreen({ id }: { id: string }) {
  const tokens = useTokens();
  const { job, problem } = useJob(id);
  const [agreed, setAgreed] = useState(false);
  if (job && mustHangLock(job.setting.sheet, job.state, job.by)) return <HangLock job={job} />;
  return (
    <View style={[styles.screen, { backgroundColor: tokens.ground }]}>
      {job && agreed ? (
        <Turning job={job} />
      ) : (
        <ScrollView>
          {job ? (
            <Agree job={job} onAgreed={() => setAgreed(true)} />
          ) : (
            <Words as="heading">{problem ?? 'Opening the job …'}</Words>
          )}
        </ScrollView>
      )}
    </View>
  );
}

function Agree({ job, onAgreed }: { job: WorkingJob; onAgreed: () => void }) {
  const router = useRouter();
  const mayWork = useMay('technician');
  return (
    <Stack>
      <Words as="title">{job.context.machineName}: you turn</Words>
      <Words>
        This view says how far and which way. It is a convenience, never a safeguard: a phone can
        fail at any moment.
      </Words>
      <Caution>
        Agree on voice or hand signals now, and on who gives them. Turn only when you hear or see
        the word from the one at the rockers.
      </Caution>
      <Act weight="primary" label="Signals are agreed: go on" onPress={onAgreed} />
      {mayWork ? (
        <Act
          label="Back to the job"
          onPress={() => router.replace(`/jobs/${job.setting.head.id}`)}
        />
      ) : (
        <Act label="To the yard" onPress={() => router.replace('/')} />
      )}
    </Stack>
  );
}

function Turning({ job }: { job: WorkingJob }) {
  const { word, turn: told, say } = useLink(job.setting.head.id, 'helper', null);
  const standsAt = useAppSelector((state) => state.preferences.standsAt);
  // The one who turns may stand at the other end: there the sense is the other.
  const turn = told && turnsSeenFrom(told, standsAt);
  const { sheet } = job.setting;
  // Between a low screen’s word and its buttons there has to be room for how far to turn.
  const act = useJobLayout().isLow ? styles.lowAct : styles.act;
  return (
    <>
      <LinkBoard word={word} turn={turn} role="helper" />
      {/* What is told and both buttons stay in sight, however small the screen. */}
      <ScrollView style={styles.between} contentContainerStyle={styles.told}>
        {!turn && job.says && (
          <Stack>
            <Words color="secondInk">The one at the rockers now:</Words>
            <Words as="heading">{job.says.what}</Words>
            <Words>{job.says.detail}</Words>
          </Stack>
        )}
        {turn && (
          <View style={styles.dial}>
            <Words as="heading">{way(turn)}</Words>
            <Words color="secondInk">seen from the {turn.seenFrom}</Words>
            <EngineDial
              sheet={sheet}
              rotation={turn}
              at={turn.from ?? undefined}
              turn={turn.degrees ?? undefined}
              size={220}
            />
            <StandsAtOther rotation={turn} />
          </View>
        )}
        <Words as="note" color="secondInk">
          Voice and hand signals stand above this view.
        </Words>
        {hangs(job.state, job.by) && <ClearRow job={job} person={job.by} />}
      </ScrollView>
      <Row>
        <Act weight="stop" label="Stop" style={act} onPress={() => say('stop')} />
        <Act weight="primary" label="There" style={act} onPress={() => say('there')} />
      </Row>
    </>
  );
}

const styles = StyleSheet.create({
  screen: { flex: 1, padding: space.large, gap: space.large },
  between: { flex: 1 },
  told: { gap: space.large, flexGrow: 1 },
  dial: { alignItems: 'center', gap: space.small, flexGrow: 1 },
  act: { flex: 1, minHeight: 120 },
  lowAct: { flex: 1, minHeight: 72 },
});
