import type { Beat } from '@longbar/core';
import { BeatSchema, EventsPageSchema } from '@longbar/core';
import * as v from 'valibot';
import { API } from '../state/api';

type Page = v.InferOutput<typeof EventsPageSchema>;
type Followed = { source: EventSource; followers: number; beats: Set<(beat: Beat) => void> };

/**
 * What others do at the jobs that are open on this phone, as the server tells it. One
 * connection for each job; the browser takes it up again by itself, from the last it had.
 */
export class JobStreams {
  private readonly open = new Map<string, Followed>();

  constructor(private readonly onPage: (job: string, page: Page) => void) {}

  /** Follows a job until the answer is called. */
  follow(job: string, onBeat?: (beat: Beat) => void): () => void {
    // Tests and old browsers have none: there, others are heard of at the next opening.
    if (typeof EventSource === 'undefined') return () => undefined;
    const followed = this.open.get(job) ?? this.begin(job);
    followed.followers += 1;
    if (onBeat) followed.beats.add(onBeat);
    return () => {
      if (onBeat) followed.beats.delete(onBeat);
      followed.followers -= 1;
      if (followed.followers > 0) return;
      followed.source.close();
      this.open.delete(job);
    };
  }

  private begin(job: string): Followed {
    const source = new EventSource(`${API}/jobs/${job}/stream?after=0`);
    const followed: Followed = { source, followers: 0, beats: new Set() };
    this.open.set(job, followed);
    source.addEventListener('events', ({ data }) => {
      this.onPage(job, v.parse(EventsPageSchema, JSON.parse(data)));
    });
    source.addEventListener('beat', ({ data }) => {
      const beat = v.parse(BeatSchema, JSON.parse(data));
      followed.beats.forEach((heard) => heard(beat));
    });
    return followed;
  }
}
