import { act, renderHook } from '@testing-library/react-native';
import { useAfterPaint } from './useAfterPaint';

/** Something that is told, and changed by the test. */
function telling(value: string) {
  const listeners = new Set<() => void>();
  return {
    subscribe: (listener: () => void) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    read: () => value,
    change: (next: string) => {
      value = next;
      for (const listener of listeners) listener();
    },
  };
}

/** A hook that follows a value, and the frames that are asked for. */
function following() {
  const frames: (() => void)[] = [];
  jest.spyOn(globalThis, 'requestAnimationFrame').mockImplementation((frame) => {
    frames.push(() => frame(0));
    return frames.length;
  });
  const told = telling('first');
  const hook = renderHook(() => useAfterPaint(told));
  return { told, frames, hook };
}

describe('what follows once the page is painted', () => {
  beforeEach(() => jest.useFakeTimers());
  afterEach(() => {
    jest.useRealTimers();
    jest.restoreAllMocks();
  });

  it('comes after the frame, and is the last that was told', () => {
    const { told, frames, hook } = following();
    act(() => told.change('second'));
    act(() => told.change('third'));
    expect(hook.result.current).toBe('first');
    act(() => {
      frames.at(-1)?.();
      jest.advanceTimersByTime(1);
    });
    expect(hook.result.current).toBe('third');
  });

  it('comes a little later where no frame is painted', () => {
    const { told, hook } = following();
    act(() => told.change('second'));
    act(() => {
      jest.advanceTimersByTime(149);
    });
    expect(hook.result.current).toBe('first');
    act(() => {
      jest.advanceTimersByTime(1);
    });
    expect(hook.result.current).toBe('second');
  });

  it('is not missed when it is told before anybody listens', () => {
    const told = telling('first');
    const useEarly = () => {
      const shown = useAfterPaint(told);
      // Between drawing and listening, as an answer of the disk may come.
      if (shown === 'first' && told.read() === 'first') told.change('second');
      return shown;
    };
    const hook = renderHook(useEarly);
    act(() => {
      jest.advanceTimersByTime(150);
    });
    expect(hook.result.current).toBe('second');
  });

  it('does not come once nobody asks any more', () => {
    const { told, hook } = following();
    act(() => told.change('second'));
    hook.unmount();
    expect(jest.getTimerCount()).toBe(0);
  });
});
