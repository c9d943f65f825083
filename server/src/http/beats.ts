import type { Beat } from '@longbar/core';

/** After so long without a beat a device may be heard from another address, ms. */
const SILENCE = 5_000;
/** Several a second: so many may be lost on the way. */
const MOST_LOST = 200;

type Heard = { address: string; beat: number; at: number };

/**
 * Which beats are believed: those that a device says itself, in their order. One that is made up
 * elsewhere, comes again or jumps is dropped; else it could turn 'hold' into 'turn' for the one
 * with the bar.
 */
export class BelievedBeats {
  private readonly heard = new Map<string, Heard>();

  /** Whether a beat of a job from an address, at an instant in ms, is believed. */
  isBelieved(job: string, { device, beat }: Beat, address: string, at: number): boolean {
    const key = `${job} ${device}`;
    const last = this.heard.get(key);
    const silent = !last || at - last.at > SILENCE;
    const follows = !last || (beat > last.beat && (silent || beat - last.beat <= MOST_LOST));
    if (!follows || (!silent && last.address !== address)) return false;
    this.heard.set(key, { address, beat, at });
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
