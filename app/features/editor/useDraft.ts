import type { EngineSheet, Issue } from '@longbar/core';
import { isRefused, parseSheet } from '@longbar/core';
import { createNextState } from '@reduxjs/toolkit';
import { useMemo, useState } from 'react';
import { phoneDatabaseName } from '../../phone/shopOfPhone';
import { drawableOf } from './drawable';
import type { FiguresAs } from './questions/typedFigures';

/** A sheet being written: what is typed, what is wrong with it, and how to change it. */
export type Draft = {
  sheet: EngineSheet;
  /** Every mistake, by dotted path. */
  issues: Issue[];
  /** The sheet to draw: the draft as soon as it can be drawn, else as it last could. */
  drawn: EngineSheet;
  changed: boolean;
  /** How the manual prints the limits of each entry, by its place, where somebody said so. */
  printedAs: Readonly<Record<number, FiguresAs>>;
  printAs: (place: number, how: FiguresAs) => void;
  edit: (change: (sheet: EngineSheet) => void) => void;
  discard: () => void;
};

/**
 * A draft of a sheet, begun from `base` and kept on this phone under `key` until it is
 * published or put away: a call or a reload loses nothing that was typed.
 */
export function useDraft(key: string, base: EngineSheet): Draft {
  const [kept, setKept] = useState<EngineSheet | undefined>(() => remembered(key));
  const [lastDrawn, setLastDrawn] = useState(() => drawableOf(kept ?? base) ?? base);
  const [printedAs, setPrintedAs] = useState<Draft['printedAs']>({});
  const sheet = kept ?? base;
  const parsed = useMemo(() => parseSheet(sheet), [sheet]);
  const keep = (next: EngineSheet | undefined) => {
    setKept(next);
    remember(key, next);
    setLastDrawn((last) => drawableOf(next ?? base) ?? last);
  };
  return {
    sheet,
    issues: isRefused(parsed) ? parsed.issues : [],
    drawn: lastDrawn,
    changed: kept !== undefined,
    printedAs,
    printAs: (at, how) => setPrintedAs((before) => ({ ...before, [at]: how })),
    edit: (change) => keep(createNextState(sheet, change)),
    discard: () => keep(undefined),
  };
}

/** Drafts are of the shop they were begun in. */
const place = (key: string) => `${phoneDatabaseName()}.draft.${key}`;

function remembered(key: string): EngineSheet | undefined {
  try {
    const text = localStorage.getItem(place(key));
    return text === null ? undefined : JSON.parse(text);
  } catch {
    // What cannot be read is as if nothing had been typed.
    return undefined;
  }
}

function remember(key: string, sheet: EngineSheet | undefined): void {
  try {
    if (sheet) localStorage.setItem(place(key), JSON.stringify(sheet));
    else localStorage.removeItem(place(key));
  } catch {
    // A browser that keeps nothing still edits; only a reload would lose the draft.
  }
}
