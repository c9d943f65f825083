import type { FleetReading } from '@longbar/core';
import { readFleetPage } from '@longbar/core';
import { XMLParser, XMLValidator } from 'fast-xml-parser';
import type { Answer, Reach } from '../outgoing/askOutside';
import { askOutside, OutsideError } from '../outgoing/askOutside';

/** A page is there within so long, ms; it is at most so long, bytes. */
const [WITHIN, MOST] = [20_000, 20_000_000];
/** More pages than this no fleet has. */
const MOST_PAGES = 500;

export type FleetAnswer = { readings: FleetReading[]; unread: string[] };
export type FleetAddress = { address: string; key: string };

/**
 * The hours of a whole fleet, page after page, oldest first: all of it, or nothing and why. The
 * key goes to the origin of its address alone. Throws OutsideError.
 */
export async function askFleet(
  { address, key }: FleetAddress,
  reach: Reach,
  { within = WITHIN, signal }: { within?: number; signal?: AbortSignal } = {},
): Promise<FleetAnswer> {
  const headers = {
    accept: 'application/json, application/xml;q=0.9, text/xml;q=0.8',
    ...(key && { authorization: /\s/.test(key) ? key : `Bearer ${key}` }),
  };
  const found: FleetAnswer = { readings: [], unread: [] };
  const asked = new Set<string>();
  for (let next: string | undefined = address; next !== undefined;) {
    if (asked.has(next) || asked.size >= MOST_PAGES) {
      throw new OutsideError('Its pages lead round in a circle.');
    }
    asked.add(next);
    const answer: Answer = await askOutside(next, { headers, within, most: MOST, signal }, reach);
    const page = readFleetPage(objectsOf(goodAnswer(answer)));
    if (!page) throw new OutsideError('It answered with something that is no fleet (ISO 15143-3).');
    found.readings.push(...page.readings);
    found.unread.push(...page.unread);
    next = page.next === undefined ? undefined : nextAddress(page.next, next, address);
  }
  found.readings.sort((a, b) => a.at.localeCompare(b.at) || a.hours - b.hours);
  return found;
}

function goodAnswer(answer: Answer): Answer {
  const { status } = answer;
  if (status === 401 || status === 403) throw new OutsideError('It refused the key.');
  if (status >= 300 && status < 400) {
    throw new OutsideError('It points to another address. Give that one.');
  }
  if (status !== 200) throw new OutsideError(`It answered with error ${status}.`);
  return answer;
}

/** The page as objects, whether it came as JSON or as XML. */
function objectsOf({ text }: Answer): unknown {
  const cut = () => new OutsideError('The answer was cut off, or is neither JSON nor XML.');
  if (text.trimStart().startsWith('<')) {
    if (XMLValidator.validate(text) !== true) throw cut();
    return XML.parse(text);
  }
  try {
    return JSON.parse(text);
  } catch {
    throw cut();
  }
}

/** Serial numbers stay as they are written, zeros in front of them too. */
const XML = new XMLParser({
  ignoreAttributes: false,
  attributeNamePrefix: '',
  removeNSPrefix: true,
  parseTagValue: false,
});

function nextAddress(href: string, from: string, first: string): string {
  const next = URL.canParse(href, from) ? new URL(href, from) : undefined;
  if (next?.origin !== new URL(first).origin) {
    throw new OutsideError('Its next page lies at another address. The key is not sent there.');
  }
  return next.href;
}
