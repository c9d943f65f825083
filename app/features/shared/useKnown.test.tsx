import type { SheetDetail } from '@longbar/core';
import { addedMachine } from '@longbar/core';
import { act, renderHook } from '@testing-library/react-native';
import type { ReactNode } from 'react';
import { Provider } from 'react-redux';
import { inlineSix } from '../../../core/test-support/engines';
import { api } from '../../state/api';
import { createStore } from '../../state/store';
import { useMachinesSeen } from './useKnown';

const sheet = { id: 'six', revision: 1, document: inlineSix() } as SheetDetail;
const answered = (name: string) =>
  addedMachine({ id: name, name, sheet: sheet.id }, sheet, '2026-05-02');

describe('what this phone has seen', () => {
  it('is told of those asked for, and no other answer draws the page anew', async () => {
    const store = createStore();
    // The store tells of it with the next frame.
    const told = (id: string, name: string) =>
      act(async () => {
        const heard = new Promise<void>((resolve) => store.subscribe(resolve));
        await store.dispatch(api.util.upsertQueryData('machine', id, answered(name)));
        await heard;
      });
    let drawn = 0;
    const asking = renderHook(
      () => {
        drawn++;
        return useMachinesSeen(['gate', 'pump']);
      },
      { wrapper: ({ children }: { children: ReactNode }) => <Provider {...{ store, children }} /> },
    );
    const names = () => ['gate', 'pump', 'barge'].map((id) => asking.result.current(id)?.name);
    expect(names()).toEqual([undefined, undefined, undefined]);

    await told('barge', 'Salt barge 2');
    await told('winch', 'Winch');
    expect(drawn).toBe(1);

    await told('pump', 'Brine pump');
    expect(drawn).toBe(2);
    expect(names()).toEqual([undefined, 'Brine pump', undefined]);
    asking.unmount();
    store.dispatch(api.util.resetApiState());
  });
});
