import { JobStreams } from './jobStreams';

/** The browser's event source, told by the test what it hears. */
class Source {
  static readonly CLOSED = 2;
  static all: Source[] = [];
  readyState = 0;
  closed = false;
  private readonly heard = new Map<string, (message: { data: string }) => void>();
  constructor(readonly url: string) {
    Source.all.push(this);
  }
  addEventListener(type: string, hear: (message: { data: string }) => void) {
    this.heard.set(type, hear);
  }
  /** The server's answer is no stream, or the connection is cut. */
  fail(readyState: number) {
    this.readyState = readyState;
    this.say('error', null);
  }
  say(type: string, body: unknown) {
    this.heard.get(type)?.({ data: JSON.stringify(body) });
  }
  close() {
    this.closed = true;
  }
}

const nothing = () => undefined;
const JOB = '00000000-0000-4000-8000-000000000001';
const page = { events: [], serial: 7, more: false };
const beat = {
  device: JOB,
  role: 'helper',
  beat: 1,
  heard: 0,
  turn: null,
  clearFor: null,
  said: null,
};

beforeEach(() => {
  Source.all = [];
  Object.assign(globalThis, { EventSource: Source });
});

describe('the streams of jobs', () => {
  it('are one a job, whoever follows it, and end with the last', () => {
    const pages: unknown[] = [];
    const streams = new JobStreams((job, heard) => pages.push([job, heard]), nothing);
    const [one, other] = [streams.follow(JOB), streams.follow(JOB)];
    expect(Source.all).toHaveLength(1);
    expect(Source.all[0]?.url).toContain(`/jobs/${JOB}/stream`);
    Source.all[0]?.say('events', page);
    expect(pages).toEqual([[JOB, page]]);
    one();
    expect(Source.all[0]?.closed).toBe(false);
    other();
    expect(Source.all[0]?.closed).toBe(true);
    streams.follow(JOB);
    expect(Source.all).toHaveLength(2);
  });

  it('give beats to those who listen for them, as long as they do', () => {
    const beats: unknown[] = [];
    const streams = new JobStreams(nothing, nothing);
    streams.follow(JOB);
    const stop = streams.follow(JOB, (heard) => beats.push(heard));
    Source.all[0]?.say('beat', beat);
    stop();
    Source.all[0]?.say('beat', beat);
    expect(beats).toEqual([beat]);
  });

  it('take nothing that is no page and no beat', () => {
    const streams = new JobStreams(nothing, nothing);
    streams.follow(JOB);
    expect(() => Source.all[0]?.say('beat', { ...beat, role: 'boss' })).toThrow();
    expect(() => Source.all[0]?.say('events', { events: [] })).toThrow();
  });

  it('are asked for again after a refusal, from the last that was heard', () => {
    jest.useFakeTimers();
    const streams = new JobStreams(nothing, nothing);
    const stop = streams.follow(JOB);
    Source.all[0]?.say('events', page);
    Source.all[0]?.fail(0);
    jest.runAllTimers();
    expect(Source.all).toHaveLength(1);
    Source.all[0]?.fail(Source.CLOSED);
    expect(Source.all).toHaveLength(1);
    jest.runAllTimers();
    expect(Source.all).toHaveLength(2);
    expect(Source.all[1]?.url).toMatch(/after=7$/);
    Source.all[1]?.fail(Source.CLOSED);
    stop();
    jest.runAllTimers();
    expect(Source.all).toHaveLength(2);
    jest.useRealTimers();
  });

  it('are asked for at once when the server was told of the job, and say when it is heard', () => {
    let opened = 0;
    const streams = new JobStreams(nothing, () => (opened += 1));
    streams.follow(JOB);
    Source.all[0]?.fail(Source.CLOSED);
    streams.askAgain();
    streams.askAgain();
    expect(Source.all).toHaveLength(2);
    Source.all[1]?.say('open', null);
    expect(opened).toBe(1);
  });

  it('are none where the browser has none', () => {
    Object.assign(globalThis, { EventSource: undefined });
    expect(() => new JobStreams(nothing, nothing).follow(JOB)()).not.toThrow();
    expect(Source.all).toHaveLength(0);
  });
});
