import type { RequestListener, Server } from 'node:http';
import { createServer } from 'node:http';

/** A stand-in for a service elsewhere, on this machine. */
export class OnLoopback {
  private constructor(
    private readonly server: Server,
    /** Where it is, without a path. */
    readonly origin: string,
  ) {}

  static async start(answer: RequestListener): Promise<OnLoopback> {
    const server = createServer(answer);
    await new Promise<void>((resolve, reject) => {
      server.once('error', reject);
      server.listen(0, '127.0.0.1', resolve);
    });
    // Nobody waits for it to stop.
    server.unref();
    const address = server.address();
    const port = typeof address === 'object' && address ? address.port : 0;
    return new OnLoopback(server, `http://127.0.0.1:${port}`);
  }

  async stop(): Promise<void> {
    this.server.closeAllConnections();
    await new Promise((resolve) => this.server.close(resolve));
  }
}
