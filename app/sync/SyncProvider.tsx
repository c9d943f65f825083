import type { ReactNode } from 'react';
import { createContext, useContext, useEffect, useState } from 'react';
import { Provider } from 'react-redux';
import { createStore } from '../state/store';
import { SyncEngine } from './engine';
import { watchPhone } from './phoneWatch';

const SyncContext = createContext<SyncEngine | null>(null);

/** The engine that keeps and sends what is done here. */
export function useSync(): SyncEngine {
  const engine = useContext(SyncContext);
  if (!engine) throw new Error('useSync is called outside SyncProvider.');
  return engine;
}

type Props = { reader: ConstructorParameters<typeof SyncEngine>[1]; children: ReactNode };

/** One store and one engine for the running application. */
export function SyncProvider({ reader, children }: Props) {
  const [{ store, engine }] = useState(() => {
    const made = createStore();
    return { store: made, engine: new SyncEngine(made, reader) };
  });
  useEffect(() => {
    void engine.start();
    watchPhone(store);
  }, [engine, store]);
  return (
    <Provider store={store}>
      <SyncContext.Provider value={engine}>{children}</SyncContext.Provider>
    </Provider>
  );
}
