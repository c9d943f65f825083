import type { EventOf, FoldedJob, JobAct, JobContext, JobEvent, Trial } from '@longbar/core';
import { begunOf, dueActs, foldOn, settingOf } from '@longbar/core';
import type { PayloadAction } from '@reduxjs/toolkit';
import { createSelector, createSlice, original } from '@reduxjs/toolkit';
import type { Held, SetAside } from '../phone/phoneDatabase';

export type KeptJob = { context: JobContext; events: JobEvent[] };
type Unsent = {
  count: number;
  since: string | null;
  aside: SetAside[];
  /** Of what is unsent: what the server cannot take yet. */
  held: Held[];
  /** So much was sent again since the server was put back to an earlier state. */
  offered: number;
  reachable: boolean;
};
type JobsState = {
  /** Whether what the phone keeps has been read. */
  ready: boolean;
  byId: Record<string, KeptJob>;
  unsent: Unsent;
  /** Why the phone cannot keep anything, if it cannot. */
  storeFailed: string | null;
};

const initialState: JobsState = {
  ready: false,
  byId: {},
  unsent: { count: 0, since: null, aside: [], held: [], offered: 0, reachable: true },
  storeFailed: null,
};

const jobs = createSlice({
  name: 'jobs',
  initialState,
  reducers: {
    jobsRead(state, { payload }: PayloadAction<KeptJob[]>) {
      for (const job of payload) state.byId[job.context.head.id] = job;
      state.ready = true;
    },
    jobKept(state, { payload }: PayloadAction<KeptJob>) {
      const { id } = payload.context.head;
      const events = original(state)?.byId[id]?.events ?? [];
      state.byId[id] = { context: payload.context, events: merged(events, payload.events) };
    },
    eventsKept(state, { payload }: PayloadAction<{ job: string; events: JobEvent[] }>) {
      const job = state.byId[payload.job];
      // The journal itself, not a draft of it: a draft of each of thousands of events is slow.
      if (job) job.events = merged(original(job)?.events ?? job.events, payload.events);
    },
    /** The server says which events came too late to count. */
    lateKnown(state, { payload }: PayloadAction<{ job: string; late: readonly string[] }>) {
      const context = state.byId[payload.job]?.context;
      if (context) context.late = [...new Set([...(context.late ?? []), ...payload.late])];
    },
    unsentCounted(state, { payload }: PayloadAction<Partial<Unsent>>) {
      Object.assign(state.unsent, payload);
    },
    storeFailed(state, { payload }: PayloadAction<string | null>) {
      state.storeFailed = payload;
    },
  },
});

/** The journal with what is new to it, each event once. */
function merged(known: readonly JobEvent[], more: readonly JobEvent[]): JobEvent[] {
  const fresh = new Map(more.map((event) => [event.id, event]));
  for (const { id } of known) fresh.delete(id);
  return [...known, ...fresh.values()];
}

export const { jobsRead, jobKept, eventsKept, lateKnown, unsentCounted, storeFailed } =
  jobs.actions;
export const jobsReducer = jobs.reducer;

/**
 * The blades tried for a reading, where the journal tells it alone: what came after `lastN` is
 * looked at and nothing folded. Undefined where the job as it is drawn knows as much or better.
 */
export function triedSince(
  events: readonly JobEvent[],
  lastN: number,
  { adjuster, phase }: { adjuster: string; phase: string },
): Trial[] | undefined {
  const fresh = events.filter(({ n }) => n > lastN).sort((a, b) => a.n - b.n);
  const read = (event: JobEvent): event is EventOf<'reading.taken'> =>
    event.type === 'reading.taken' && event.adjuster === adjuster && event.phase === phase;
  return fresh.every(read) ? fresh.at(-1)?.tried : undefined;
}

/** One job as it stands: its setting and the fold of its journal. */
export const openJob = createSelector([(job: KeptJob) => job], ({ context, events }) => {
  const { id } = context.head;
  const job = foldOn(folded.get(id), events, context.late);
  folded.set(id, job);
  return { context, setting: settingOf(begunOf(context), job.state), state: job.state };
});

/** Each job's last fold, from which the next tap's goes on. */
const folded = new Map<string, FoldedJob>();

/** What a phone writes down by itself in this job now. */
export function dueOf(kept: KeptJob): JobAct[] {
  const { setting, state } = openJob(kept);
  return dueActs(setting, state);
}
