import type { Role } from '@longbar/core';
import { isAtLeast } from '@longbar/core';
import { useMeQuery } from '../../state/api';
import { useAppSelector } from '../../state/store';

/**
 * Whether the phone's person may do what this role may, as the server said last. While nobody is
 * known the work goes on; what is a foreman's waits.
 */
export function useMay(role: Role): boolean {
  const { data } = useMeQuery();
  const before = useAppSelector(({ preferences }) => preferences.holder?.role);
  return isAtLeast(data?.role ?? before ?? 'technician', role);
}
