import { timingSafeEqual } from 'node:crypto';
import type { Request, Response } from 'express';
import express from 'express';
import { OnLoopback } from '../outgoing/onLoopback';
import { signMessage } from './signMessage';

/** The ways in which such programs fail. */
export type HookFault = 'slow' | 'broken' | 'cut-off' | 'moved';

/** Older messages than this are somebody else's who sends them again, s. */
const OLDEST = 300;

/**
 * A program that is told and is none: it takes what is signed by its secret, once, and fails as
 * real ones do where it is told to.
 */
export class HookStandIn {
  /** What it took, in its order. */
  readonly taken: { id: string; body: unknown }[] = [];
  /** How it fails from here on. */
  fault: HookFault | undefined;

  private constructor(private readonly place: OnLoopback) {}

  /** Where it is, without a path. */
  get origin(): string {
    return this.place.origin;
  }

  static async start(secret: () => string): Promise<HookStandIn> {
    const app = express();
    app.disable('x-powered-by');
    app.post('/told', express.text({ type: () => true, limit: '1mb' }), (request, response) =>
      standIn.answer(request, response, secret()),
    );
    const standIn = new HookStandIn(await OnLoopback.start(app));
    return standIn;
  }

  get address(): string {
    return `${this.origin}/told`;
  }

  stop(): Promise<void> {
    return this.place.stop();
  }

  private answer(request: Request, response: Response, secret: string): void {
    if (this.fault === 'slow') return;
    if (this.fault === 'broken') return void response.sendStatus(500);
    if (this.fault === 'moved') return response.redirect(this.address);
    const body = String(request.body);
    const id = request.get('webhook-id') ?? '';
    const seconds = Number(request.get('webhook-timestamp'));
    const signed = signMessage(secret, { id, at: seconds * 1000, body })['webhook-signature'] ?? '';
    const isNow = Math.abs(Date.now() / 1000 - seconds) <= OLDEST;
    if (!isNow || !isSame(signed, request.get('webhook-signature') ?? '')) {
      return void response.sendStatus(401);
    }
    if (!this.taken.some((each) => each.id === id)) this.taken.push({ id, body: JSON.parse(body) });
    // It has it, and the answer is lost: the same comes once more.
    if (this.fault === 'cut-off') return void response.destroy();
    response.sendStatus(204);
  }
}

function isSame(one: string, other: string): boolean {
  const [a, b] = [Buffer.from(one), Buffer.from(other)];
  return a.length === b.length && timingSafeEqual(a, b);
}
