import type { JobContext, JobEvent } from '@longbar/core';
import { isOver } from '@longbar/core';
import type { PayloadAction } from '@reduxjs/toolkit';
import { createSlice, original } from '@reduxjs/toolkit';
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

/** Whether a job goes on: nobody has signed it, or given it up. */
export function goesOn({ context, events }: KeptJob): boolean {
  return !isOver(events, context.late);
}
