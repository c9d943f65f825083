import { usePathname } from 'expo-router';
import type { ReactNode } from 'react';
import { useAppSelector } from '../../state/store';
import { NotPaired } from './NotPaired';
import { useHolder } from './useHolder';

/**
 * Shows the application to a phone that is paired. One that the server does not know any more is
 * asked to be paired, but never in the middle of a job: the engine stands open, and what is
 * recorded is kept on the phone meanwhile.
 */
export function Door({ children }: { children: ReactNode }) {
  useHolder();
  const path = usePathname();
  const unpaired = useAppSelector(({ phone }) => phone.unpaired);
  const goesOn = path === '/pair' || path.startsWith('/jobs/');
  return unpaired && !goesOn ? <NotPaired /> : children;
}
