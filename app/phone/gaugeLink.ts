import { gaugeLines } from '@longbar/core';
import type { OpenPort, PortSettings } from './serial.web';
import { openPort } from './serial.web';

/** Whether a gauge is on the wire, and what went wrong with it last. */
export type LinkState = { connected: boolean; problem: string | undefined };

type Ear = (line: string) => void;

/**
 * The one gauge of this phone: its port stays open from reading to reading, and whoever reads now
 * hears its lines.
 */
export class GaugeLink {
  private state: LinkState = { connected: false, problem: undefined };
  private port: OpenPort | undefined;
  private readonly watchers = new Set<() => void>();
  private readonly ears = new Set<Ear>();

  constructor(private readonly open: typeof openPort = openPort) {}

  readonly current = (): LinkState => this.state;

  readonly watch = (watcher: () => void): (() => void) => {
    this.watchers.add(watcher);
    return () => this.watchers.delete(watcher);
  };

  /** Hears each line until the answer is called. */
  listen(ear: Ear): () => void {
    this.ears.add(ear);
    return () => this.ears.delete(ear);
  }

  /** A line that came, over the wire or from the simulated gauge. */
  readonly hear = (line: string): void => {
    for (const ear of this.ears) ear(line);
  };

  /** Opens the port; what went wrong with it stands in the state. */
  async connect(settings: PortSettings): Promise<void> {
    await this.disconnect();
    let rest = '';
    try {
      const port = await this.open(settings, (text) => {
        const came = gaugeLines(rest + text);
        rest = came.rest;
        came.lines.forEach(this.hear);
      });
      this.port = port;
      this.tell({ connected: true, problem: undefined });
      this.followEnd(port);
    } catch (error) {
      this.tell({ connected: false, problem: wordsOf(error) });
    }
  }

  async disconnect(): Promise<void> {
    await this.port?.close();
    this.port = undefined;
  }

  /** A gauge that is switched off or pulled out is said to be gone. */
  private followEnd(port: OpenPort): void {
    port.closed.then(
      () => this.tell({ connected: false, problem: undefined }),
      (error) => this.tell({ connected: false, problem: wordsOf(error) }),
    );
  }

  private tell(state: LinkState): void {
    this.state = state;
    for (const watcher of this.watchers) watcher();
  }
}

function wordsOf(error: unknown): string {
  return `The gauge is not heard: ${error instanceof Error ? error.message : String(error)}`;
}

/** This phone's. */
export const gaugeLink = new GaugeLink();
