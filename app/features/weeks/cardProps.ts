import type { PlannedMachine, PlanPut } from '@longbar/core';

/** What a card of the planner needs to show a machine and to move it. */
export type CardProps = {
  machine: PlannedMachine;
  weeks: readonly string[];
  mayPlan: boolean;
  onPlan: (put: PlanPut & { machine: string }) => unknown;
  /** The machine that is opened; it stays so wherever it moves, and keeps the keyboard. */
  opened: string | undefined;
  onOpen: (id: string | undefined) => void;
};
