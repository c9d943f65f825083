import type { Beat, EventsPage } from '@longbar/core';
import { BeatSchema, EventsPageSchema } from '@longbar/core';
import * as v from 'valibot';
import { API } from '../api/request';

type Followed = {
  source: EventSource;
  followers: number;
  beats: Set<(beat: Beat) => void>;
  /** The last serial heard, to go on from. */
  serial: number;
  again: ReturnType<typeof setTimeout> | undefined;
};

/** Before a stream that the server refused is asked for again, ms. */
const ASK_AGAIN = 2000;

/**
 * What others do at the jobs that are open on this phone, as the server tells it. One
 * connection for each job. The browser takes up one that was cut by itself; one that was
 * refused, as of a job that the server has not been told of yet, it gives up for good, so
 * that is asked for again here.
 */
export class JobStreams {
  private readonly open = new Map<string, Followed>();

  /** `onOpen` is called whenever the server can be heard again. */
  constructor(
    private readonly onPage: (job: string, page: EventsPage) => void,
    private readonly onOpen: () => void,
  ) {}

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
      clearTimeout(followed.again);
      this.open.delete(job);
    };
  }

  /** Asks at once for what was refused: the server has been told something new. */
  askAgain(): void {
    this.open.forEach((followed, job) => {
      if (followed.again === undefined) return;
      clearTimeout(followed.again);
      this.connect(job, followed);
    });
  }

  /** Hears every job from its start again: the server counts anew. */
  fromStart(): void {
    this.open.forEach((followed, job) => {
      followed.source.close();
      clearTimeout(followed.again);
      followed.serial = 0;
      this.connect(job, followed);
    });
  }

  private begin(job: string): Followed {
    const followed: Followed = {
      source: eventsOf(job, 0),
      followers: 0,
      beats: new Set(),
      serial: 0,
      again: undefined,
    };
    this.open.set(job, followed);
    this.hear(job, followed);
    return followed;
  }

  private connect(job: string, followed: Followed): void {
    followed.again = undefined;
    followed.source = eventsOf(job, followed.serial);
    this.hear(job, followed);
  }

  private hear(job: string, followed: Followed): void {
    const { source } = followed;
    source.addEventListener('open', () => this.onOpen());
    source.addEventListener('error', () => {
      if (source.readyState !== EventSource.CLOSED) return;
      followed.again = setTimeout(() => this.connect(job, followed), ASK_AGAIN);
    });
    source.addEventListener('events', ({ data }) => {
      const page = v.parse(EventsPageSchema, JSON.parse(data));
      followed.serial = page.serial;
      this.onPage(job, page);
    });
    source.addEventListener('beat', ({ data }) => {
      const beat = v.parse(BeatSchema, JSON.parse(data));
      followed.beats.forEach((heard) => heard(beat));
    });
  }
}

function eventsOf(job: string, after: number): EventSource {
  return new EventSource(`${API}/jobs/${job}/stream?after=${after}`);
}
