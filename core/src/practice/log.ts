/** What happened at the engine, as it truly was. */
export type LogEntry =
  | { bar: number }
  | { feel: string; state: 'loose' | 'firm' }
  | { see: string | number; state: string }
  | { read: string; phase: string; go: number; noGo: number | null }
  | { set: string }
  /** Said to be set where it stands, or where the manual's chart has it, degrees. */
  | { placed: string; stop?: number }
  | { mark: string }
  /** So many lines were written on paper, and typed in. */
  | { paper: number };
