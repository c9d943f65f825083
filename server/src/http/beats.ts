import type { Beat } from '@longbar/core';

/** After so long without a beat any number may follow: many may have been lost, ms. */
const SILENCE = 5_000;
/** Several a second: so many may be lost on the way. */
const MOST_LOST = 200;

type Heard = { phone: string; beat: number; at: number };

/**
 * Which beats are believed: those that a phone says itself, as its token proves, in their order. One
 * that another phone makes up, comes again or jumps is dropped; else it could turn 'hold' into 'turn'
 * for the one with the bar.
 */
export class BelievedBeats {
  private readonly heard = new Map<string, Heard>();

  /** Whether a beat of a job from a paired phone, at an instant in ms, is believed. */
  isBelieved(job: string, { device, beat }: Beat, phone: string, at: number): boolean {
    const key = `${job} ${device}`;
    const last = this.heard.get(key);
    const silent = !last || at - last.at > SILENCE;
    const follows = !last || (beat > last.beat && (silent || beat - last.beat <= MOST_LOST));
    if (!follows || (last && last.phone !== phone)) return false;
    this.heard.set(key, { phone, beat, at });
    this.forget(at);
    return true;
  }

  /** What has been silent for an hour is no longer remembered. */
  private forget(at: number): void {
    if (this.heard.size < 1000) return;
    for (const [key, heard] of this.heard) {
      if (at - heard.at > 3_600_000) this.heard.delete(key);
    }
  }
}
