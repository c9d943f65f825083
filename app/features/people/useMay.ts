import type { Role } from '@longbar/core';
import { isAtLeast } from '@longbar/core';
import { useMeQuery } from '../../state/api';

/**
 * Whether the phone's person may do what this role may. While nobody is known, as on a phone that
 * was let go in the middle of a job, the work goes on; what is a foreman's waits.
 */
export function useMay(role: Role): boolean {
  const { data } = useMeQuery();
  return isAtLeast(data?.role ?? 'technician', role);
}
