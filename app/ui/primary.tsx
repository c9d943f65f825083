import type { ReactNode } from 'react';
import { createContext, useContext, useEffect, useState, useSyncExternalStore } from 'react';

/** The one thing to record now: what its button says, and pressing it. */
export type Primary = { label: string; press: () => void };

/** Knows the primary button on the screen, so that a pedal presses the very same. */
class PrimaryStore {
  private readonly shown = new Map<object, Primary>();
  private readonly listeners = new Set<() => void>();

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** The one that came last, where there are several. */
  readonly current = (): Primary | undefined => [...this.shown.values()].at(-1);

  show(key: object, primary: Primary): () => void {
    this.shown.set(key, primary);
    this.tell();
    return () => {
      this.shown.delete(key);
      this.tell();
    };
  }

  private tell(): void {
    for (const listener of this.listeners) listener();
  }
}

const PrimaryContext = createContext<PrimaryStore | null>(null);

/** Everything below it shares one primary button. */
export function PrimaryProvider({ children }: { children: ReactNode }) {
  const [store] = useState(() => new PrimaryStore());
  return <PrimaryContext.Provider value={store}>{children}</PrimaryContext.Provider>;
}

/**
 * Makes this button the primary one while it is shown; `label` undefined where it is not. `press` is
 * the same as long as the button is.
 */
export function useAsPrimary(label: string | undefined, press: () => void): void {
  const store = useContext(PrimaryContext);
  useEffect(() => {
    if (!store || label === undefined) return;
    return store.show({}, { label, press });
  }, [store, label, press]);
}

const NOBODY = { subscribe: () => () => undefined, current: () => undefined };

/** The primary button on the screen; none where there is none, or where it is not to be pressed now. */
export function usePrimary(): Primary | undefined {
  const { subscribe, current } = useContext(PrimaryContext) ?? NOBODY;
  return useSyncExternalStore<Primary | undefined>(subscribe, current);
}
