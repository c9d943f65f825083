import { createHmac } from 'node:crypto';

/**
 * The headers that prove a message to whoever has the secret, as the Standard Webhooks
 * specification has them: HMAC-SHA256 over id, time and body.
 *
 * @param at When it is sent, ms.
 */
export function signMessage(
  secret: string,
  { id, at, body }: { id: string; at: number; body: string },
): Record<string, string> {
  const seconds = String(Math.floor(at / 1000));
  const key = Buffer.from(secret.replace(/^whsec_/, ''), 'base64');
  const hmac = createHmac('sha256', key).update(`${id}.${seconds}.${body}`).digest('base64');
  return {
    'webhook-id': id,
    'webhook-timestamp': seconds,
    'webhook-signature': `v1,${hmac}`,
  };
}
