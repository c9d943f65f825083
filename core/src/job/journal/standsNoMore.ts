import type { AdjusterState } from './state';

/** An adjuster was changed: whatever was read or said of it before says nothing any more. */
export function standsNoMore(adjuster: AdjusterState): void {
  delete adjuster.kept;
  delete adjuster.left;
  delete adjuster.again;
  delete adjuster.againAccepted;
  delete adjuster.painted;
  delete adjuster.checked;
  delete adjuster.doneAtTurn;
}
