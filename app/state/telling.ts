import { useLayoutEffect, useState } from 'react';

/** A value that tells of its changes to whoever listens. */
export class Telling<T> {
  private readonly listeners = new Set<() => void>();

  constructor(private value: T) {}

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  readonly read = (): T => this.value;

  change(value: T): void {
    this.value = value;
    for (const listener of this.listeners) listener();
  }
}

/** What is drawn, told to those below, each of whom is drawn anew only where its own part changed. */
export function useTelling<T>(value: T): Telling<T> {
  const [telling] = useState(() => new Telling(value));
  useLayoutEffect(() => telling.change(value), [telling, value]);
  return telling;
}
