import type { ReactNode } from 'react';
import { createContext, useContext } from 'react';

const ReadOnlyContext = createContext(false);

type Props = { when: boolean; children: ReactNode };

/** All below it is read and takes nothing, for whoever may not change it. */
export function ReadOnly({ when, children }: Props) {
  return <ReadOnlyContext.Provider value={when}>{children}</ReadOnlyContext.Provider>;
}

/** Whether what is typed or chosen here would go nowhere. */
export function useReadOnly(): boolean {
  return useContext(ReadOnlyContext);
}
