import { renderHook } from '@testing-library/react-native';
import { useSame } from './useSame';

describe('a function that stays the same', () => {
  it('does what the latest one does, and hands on what it is given', () => {
    const hook = renderHook(({ add }: { add: number }) => useSame((to: number) => to + add), {
      initialProps: { add: 1 },
    });
    const first = hook.result.current;
    expect(first(10)).toBe(11);
    hook.rerender({ add: 5 });
    expect(hook.result.current).toBe(first);
    expect(first(10)).toBe(15);
  });
});
