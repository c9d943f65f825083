import { act, renderHook } from '@testing-library/react-native';

/** A device whose browser may forget to tell a change. */
function device() {
  const heard = new Set<() => void>();
  const query = {
    matches: false,
    addEventListener: (_: string, listener: () => void) => heard.add(listener),
    removeEventListener: (_: string, listener: () => void) => heard.delete(listener),
  };
  Object.assign(globalThis, { matchMedia: () => query });
  return { query, tell: () => heard.forEach((each) => each()), heard };
}

it('follows the device, and at the next drawing also a change that was not told', () => {
  const { query, tell, heard } = device();
  // It asks the browser once, when it is read in: not before there is one here.
  const { useDeviceNight } =
    jest.requireActual<typeof import('./useDeviceNight')>('./useDeviceNight');
  const { result, rerender, unmount } = renderHook(() => useDeviceNight());
  expect(result.current).toBe(false);
  query.matches = true;
  act(tell);
  expect(result.current).toBe(true);
  query.matches = false;
  rerender({});
  expect(result.current).toBe(false);
  unmount();
  expect(heard.size).toBe(0);
});
