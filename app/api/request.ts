import { shopHeader } from '../phone/shopOfPhone';

/** Where the API is: beside the application, or on its own port while developing. */
export const API = `${process.env.EXPO_PUBLIC_API ?? ''}/api`;

/** What the server said: its status, and its JSON; null where it said none. */
export type Answered = { status: number; ok: boolean; body: unknown };

type Asked = Omit<RequestInit, 'headers'> & { headers?: Record<string, string> };

/**
 * One request to the server. Every request but the store's own queries goes through here; it
 * throws where the server cannot be reached or does not answer in time.
 */
export async function request(path: string, init: Asked = {}): Promise<Answered> {
  const headers = { ...shopHeader(), ...init.headers };
  // While developing the server is on another port: the phone's cookie goes there too.
  const response = await fetch(`${API}${path}`, { ...init, headers, credentials: 'include' });
  const { status, ok } = response;
  return { status, ok, body: jsonOf(await response.text()) };
}

/** The bytes of what the server keeps; throws where it has none or cannot be reached. */
export async function bytesOf(path: string, signal: AbortSignal): Promise<ArrayBuffer> {
  const headers = shopHeader();
  const response = await fetch(`${API}${path}`, { headers, credentials: 'include', signal });
  if (!response.ok) throw new Error('The server does not have it.');
  return response.arrayBuffer();
}

function jsonOf(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    // A proxy's page, or nothing at all: the status says what there is to say.
    return null;
  }
}
