import type { Finding } from '@longbar/core';
import { useFindingsQuery } from '../../state/api';

/**
 * The findings of a machine's last check, from what the server or this phone knows of it. No tap of
 * a job changes them, so that none asks for them again.
 */
export function useFindings(machine: string): Finding[] {
  return useFindingsQuery(machine, { refetchOnMountOrArgChange: FRESH }).data ?? NONE;
}

/** What was fetched within this is not asked for again, s. */
const FRESH = 600;

const NONE: Finding[] = [];
