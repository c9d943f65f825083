import { act, renderHook } from '@testing-library/react-native';
import { useLasts } from './useLasts';

describe('what has been so for some time', () => {
  beforeEach(() => {
    jest.useFakeTimers();
  });
  afterEach(() => {
    jest.useRealTimers();
  });
  const pass = (ms: number) => act(() => jest.advanceTimersByTime(ms));

  it('is told once it lasts, counted anew each time it begins', () => {
    const { result, rerender } = renderHook(({ is }: { is: boolean }) => useLasts(is, 1000), {
      initialProps: { is: true },
    });
    pass(900);
    rerender({ is: false });
    rerender({ is: true });
    pass(900);
    expect(result.current).toBe(false);
    pass(100);
    expect(result.current).toBe(true);
    rerender({ is: false });
    expect(result.current).toBe(false);
    rerender({ is: true });
    expect(result.current).toBe(false);
  });
});
