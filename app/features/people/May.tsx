import type { Role } from '@longbar/core';
import type { ReactNode } from 'react';
import { useMay } from './useMay';

/** What only this role and those above it are shown: the server refuses it to others. */
export function May({ role, children }: { role: Role; children: ReactNode }) {
  return useMay(role) ? children : null;
}
