/** What happened at the engine, as it truly was. */
export type LogEntry =
  | { bar: number }
  | { feel: string; state: 'loose' | 'firm' }
  | { see: string | number; state: string }
  | { read: string; phase: string; go: number; noGo: number | null }
  | { set: string }
  | { mark: string };
