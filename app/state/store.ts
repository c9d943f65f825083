import { configureStore, createListenerMiddleware } from '@reduxjs/toolkit';
import { useSelector, useStore } from 'react-redux';
import { api } from './api';
import { jobsReducer } from './jobs';
import { machineWordsReducer } from './machineWords';
import { phoneReducer } from './phone';
import { preferencesChanged, preferencesReducer, rememberPreferences } from './preferences';
import { askAgain } from './askAgain';

/** The store of one running application. */
export function createStore() {
  const listeners = createListenerMiddleware();
  const store = configureStore({
    reducer: {
      [api.reducerPath]: api.reducer,
      jobs: jobsReducer,
      machineWords: machineWordsReducer,
      phone: phoneReducer,
      preferences: preferencesReducer,
    },
    middleware: (standard) => standard().prepend(listeners.middleware).concat(api.middleware),
  });
  listeners.startListening({
    actionCreator: preferencesChanged,
    effect: () => rememberPreferences(store.getState().preferences),
  });
  askAgain(listeners);
  return store;
}

export type AppStore = ReturnType<typeof createStore>;
export type RootState = ReturnType<AppStore['getState']>;
export const useAppSelector = useSelector.withTypes<RootState>();
export const useAppStore = useStore.withTypes<AppStore>();
