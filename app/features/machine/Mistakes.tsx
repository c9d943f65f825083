import type { Issue } from '@longbar/core';
import { Words } from '../../ui/Words';

/** What is wrong with a form, beside its button: the field itself may be out of sight. */
export function Mistakes({ issues }: { issues: readonly Issue[] }) {
  if (issues.length === 0) return null;
  return (
    <Words as="strong" color="stop" role="alert">
      Not saved yet. {issues.map(({ message }) => message).join(' ')}
    </Words>
  );
}
