import { readFileSync } from 'node:fs';
import { inflateSync } from 'node:zlib';

const files = new Map<string, Buffer>();

/**
 * The font of a WOFF file (W3C WOFF 1.0), unpacked and kept: the PDF's own unpacking takes ten
 * times as long, and once for every record.
 */
export function fontFile(path: string): Buffer {
  const kept = files.get(path);
  if (kept) return kept;
  const font = unpacked(readFileSync(path));
  files.set(path, font);
  return font;
}

const [HEADER, ENTRY] = [44, 20];
const [OWN_HEADER, OWN_ENTRY] = [12, 16];

function unpacked(woff: Buffer): Buffer {
  const count = woff.readUInt16BE(12);
  const directory = Buffer.alloc(OWN_HEADER + OWN_ENTRY * count);
  woff.copy(directory, 0, 4, 8);
  directory.writeUInt16BE(count, 4);
  const parts: Uint8Array[] = [directory];
  let at = directory.length;
  for (let i = 0; i < count; i++) {
    const entry = woff.subarray(HEADER + ENTRY * i, HEADER + ENTRY * (i + 1));
    const [offset, packed, length] = [4, 8, 12].map((place) => entry.readUInt32BE(place));
    const bytes = woff.subarray(offset, (offset ?? 0) + (packed ?? 0));
    const table = packed === length ? bytes : inflateSync(bytes);
    const own = OWN_HEADER + OWN_ENTRY * i;
    entry.copy(directory, own, 0, 4);
    entry.copy(directory, own + 4, 16, 20);
    directory.writeUInt32BE(at, own + 8);
    directory.writeUInt32BE(table.length, own + 12);
    const padding = Buffer.alloc((4 - (table.length % 4)) % 4);
    parts.push(table, padding);
    at += table.length + padding.length;
  }
  return Buffer.concat(parts);
}
