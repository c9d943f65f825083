import {
  adjustersOf,
  deviationsOf,
  formatDay,
  formatHours,
  formatInstant,
  isolationsOf,
  phaseTimes,
} from '@longbar/core';
import { useRouter } from 'expo-router';
import { ScrollView, StyleSheet, useWindowDimensions, View } from 'react-native';
import { API } from '../../state/api';
import { Act } from '../../theme/Act';
import { Row, Stack } from '../../theme/Panel';
import { space } from '../../theme/tokens';
import { useTokens } from '../../theme/ThemeProvider';
import { Words } from '../../theme/Words';
import { jobCells } from '../job/engine/jobCells';
import { JobMap } from '../job/engine/JobMap';
import type { WorkingJob } from '../job/model/useJob';
import { useJob } from '../job/model/useJob';
import { RecordNotes } from './RecordNotes';
import { RecordTable } from './RecordTable';
import { Sealed } from './Sealed';

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
          onPress={() => window.open(`${API}/jobs/${id}/record.pdf?paper=${paperHere()}`)}
        />
        <Act label="Print" icon="print" onPress={() => window.print()} />
      </Row>
      <Record job={job} />
    </ScrollView>
  );
}

/** Letter where it is used, A4 everywhere else. */
function paperHere(): 'a4' | 'letter' {
  return /-(US|CA|MX)$/.test(navigator.language) ? 'letter' : 'a4';
}

const WIDEST = 820;
const REASON = {
  interval: 'it was due',
  'head-work': 'after head work',
  symptom: 'a symptom',
} as const;

function Record({ job }: { job: WorkingJob }) {
  const { width } = useWindowDimensions();
  const { context, state, setting } = job;
  const { sheet, head } = setting;
  const finished = state.signed;
  return (
    <Stack gap={space.large}>
      <View>
        <Words as="title">{context.machineName}</Words>
        <Words color="secondInk">
          {sheet.name}, sheet revision {head.sheetRevision}
          {sheet.source?.revision
            ? `, from ${sheet.source.title} revision ${sheet.source.revision}`
            : ''}
        </Words>
      </View>
      <Facts job={job} />
      <View aria-label="The head as left">
        <JobMap
          job={job}
          cells={jobCells(job, { at: undefined })}
          width={Math.min(width, WIDEST) - 2 * space.large}
        />
      </View>
      <RecordTable job={job} />
      <RecordNotes job={job} />
      <Safety job={job} />
      <Words as="strong">
        {finished
          ? `${finished.incomplete ? 'Closed as incomplete' : 'Signed'} by ${finished.name}, ${formatInstant(finished.at)}.`
          : 'Not signed: this job is still open.'}
      </Words>
      <Sealed job={job} />
      <Words as="note" color="secondInk">
        Where this record and the maker’s current manual differ, the manual stands.{' '}
        {adjustersOf(sheet).length} adjusters, {state.standing.length} entries.
      </Words>
    </Stack>
  );
}

function Facts({ job }: { job: WorkingJob }) {
  const { state, setting } = job;
  const facts: [string, string][] = [
    ['Begun', `${formatDay(setting.head.at)} by ${setting.head.by}`],
    ['Hours', state.hours ? `${formatHours(state.hours.hours)} h` : 'not read'],
    [
      'Why',
      state.why
        ? [REASON[state.why.reason], state.why.symptom].filter(Boolean).join(': ')
        : 'not said',
    ],
    temperatureFact(job),
    ...(state.tag === undefined ? [] : [tagFact(state.tag)]),
    ['Run', runWords(state.run)],
    ['Time', timeWords(job)],
  ];
  return (
    <View style={styles.facts}>
      {facts.map(([name, value]) => (
        <View key={name} style={styles.fact}>
          <Words as="label" color="secondInk">
            {name}
          </Words>
          <Words>{value}</Words>
        </View>
      ))}
    </View>
  );
}

/** Cold since when, or how long it ran hot before it was shut down. */
function temperatureFact({ state, setting }: WorkingJob): [string, string] {
  if (setting.sheet.temperature?.state !== 'hot') {
    return ['At rest since', state.coldSince ? formatInstant(state.coldSince) : 'not said'];
  }
  const { hot } = state;
  const words = hot ? `${formatInstant(hot.stopped)}, after ${hot.ran} min` : 'not said';
  return ['Shut down hot', words];
}

/** How long each phase took, the pauses left out. */
function timeWords({ state }: WorkingJob): string {
  const phases = phaseTimes(state).filter(({ ms }) => ms >= MINUTE);
  const total = phases.reduce((sum, { ms }) => sum + ms, 0);
  if (total < MINUTE) return 'under a minute';
  const words = phases.map(({ phase, ms }) => `${phase.toLowerCase()} ${Math.round(ms / MINUTE)}`);
  return `${Math.round(total / MINUTE)} min: ${words.join(', ')}`;
}

const MINUTE = 60_000;

function tagFact(tag: string): [string, string] {
  return ['Data tag', tag || 'none the sheet knows'];
}

function runWords(run: WorkingJob['state']['run']): string {
  if (!run) return 'not run yet';
  const words = [run.leaks ? 'it leaks' : 'no leaks'];
  if (run.symptomGone !== undefined)
    words.push(run.symptomGone ? 'symptom gone' : 'symptom still there');
  if (run.note) words.push(run.note);
  return words.join(', ');
}

/** What was isolated, what did not apply and why, and that it was undone. */
function Safety({ job: { state, setting } }: { job: WorkingJob }) {
  return (
    <View>
      <Words as="strong">Made unable to start, and able again</Words>
      {isolationsOf(setting.sheet).map(({ id, text }) => {
        const done = state.isolations[id];
        const undone = state.undone[id];
        const words = !done
          ? 'not done'
          : done.exempt !== undefined
            ? `did not apply: ${done.exempt} (${done.by})`
            : `${done.by}, ${formatInstant(done.at)}${undone ? `; undone by ${undone.by}` : ''}`;
        return (
          <Words key={id} as="note">
            {text}: {words}
          </Words>
        );
      })}
      <Words as="note">
        {state.barOut
          ? `Bar and pins out: ${state.barOut.by}, ${formatInstant(state.barOut.at)}`
          : 'Bar and pins: not out yet'}
      </Words>
      {Object.entries(state.clear).map(([person, { by, looked }]) => (
        <Words key={person} as="note">
          {person}: {looked ? `${by} went and looked: ${looked}` : 'clear, own lock off'}
        </Words>
      ))}
      {state.toolsCounted && <Words as="note">Tools counted back: {state.toolsCounted.by}</Words>}
      {deviationsOf(state).map(({ what, reason, by }) => (
        <Words key={what} as="note" color="stop">
          Deviation: {what}: {reason} ({by})
        </Words>
      ))}
    </View>
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
  noPrint: { justifyContent: 'space-between' },
  facts: { flexDirection: 'row', flexWrap: 'wrap', columnGap: space.huge, rowGap: space.small },
  fact: { minWidth: 120 },
});
