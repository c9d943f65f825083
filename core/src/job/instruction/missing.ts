import type { Refused } from '../../result';
/** What a step still misses: a code with what it needs to be said, never a sentence. */
export type Missing =
  | {
      code:
        | 'why'
        | 'tag'
        | 'tag-reason'
        | 'cold-since'
        | 'metal'
        | 'hot-stated'
        | 'hot-over'
        | 'hours'
        | 'lock'
        | 'open'
        | 'position'
        | 'nobody-turned'
        | 'rotation'
        | 'shims'
        | 'round-done'
        | 'bar-out'
        | 'tools'
        | 'run'
        | 'leak'
        | 'sign';
    }
  | { code: 'rest'; until: string }
  | { code: 'hot-run'; minutes: number }
  | { code: 'method'; why: Refused }
  /** One line of a list, in the sheet's own words or the list's. */
  | { code: 'item'; text: string }
  | { code: 'torque'; name: string; left: number }
  | { code: 'adjuster'; id: string }
  /** An adjuster that no stop serves, or that has no figure. */
  | { code: 'unserved'; id: string }
  /** The manual's chart has it off its condition: there, or where its margin is largest. */
  | { code: 'chart'; id: string }
  | { code: 'clear'; person: string };

/** Why nothing may be recorded at a step yet. */
export type Closed =
  | 'ready-first'
  | 'unable-first'
  | 'open-first'
  | 'torque-first'
  | 'find-first'
  | 'temperature-first'
  | 'coming-off'
  | 'stops-first'
  | 'shims-first'
  | 'round-first'
  | 'close-first'
  | 'able-first';
