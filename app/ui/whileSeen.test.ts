import { whileSeen } from './whileSeen';

type Entry = { isIntersecting: boolean };

let see: (seen: boolean) => void;
let watched = 0;

/** As the page has one; the tests of the phone have none. */
class Part {}

function withObserver() {
  Object.assign(globalThis, {
    HTMLElement: Part,
    IntersectionObserver: class {
      constructor(heard: (entries: Entry[]) => void) {
        see = (isIntersecting) => heard([{ isIntersecting }]);
      }
      observe() {
        watched += 1;
      }
      disconnect() {
        watched -= 1;
      }
    },
  });
}

afterEach(() =>
  Object.assign(globalThis, { IntersectionObserver: undefined, HTMLElement: undefined }),
);

describe('work on a part of the page', () => {
  it('is done while it is in sight, and undone while it is not', () => {
    withObserver();
    const did: string[] = [];
    const end = whileSeen(new Part(), () => {
      did.push('begun');
      return () => did.push('ended');
    });
    expect(did).toEqual([]);
    see(true);
    see(true);
    expect(did).toEqual(['begun']);
    see(false);
    see(false);
    expect(did).toEqual(['begun', 'ended']);
    see(true);
    end();
    expect(did).toEqual(['begun', 'ended', 'begun', 'ended']);
    expect(watched).toBe(0);
  });

  it('is done throughout where nothing tells what is seen', () => {
    const stop = jest.fn();
    const end = whileSeen({}, () => stop);
    end();
    expect(stop).toHaveBeenCalledTimes(1);
  });
});
