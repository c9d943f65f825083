import type { ParsedSheet } from '@longbar/core';
import { parseSheet } from '@longbar/core';

/** A sheet from a file's text: the sheet, or every mistake with its path. */
export function readSheetFile(text: string): ParsedSheet {
  try {
    return parseSheet(JSON.parse(text));
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    return { ok: false, issues: [{ path: '', message: `This is no JSON file: ${why}` }] };
  }
}
