import type { Finding } from '@longbar/core';
import { useMachineQuery } from '../../state/api';

/** The findings of a machine's last check, from what the server or this phone knows of it. */
export function useFindings(machine: string): Finding[] {
  return useMachineQuery(machine).data?.findings ?? NONE;
}

const NONE: Finding[] = [];
