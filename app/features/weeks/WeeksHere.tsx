import { lazy, Suspense } from 'react';
import { Words } from '../../ui/Words';

const Weeks = lazy(() => import('./Weeks'));

/** The planner, fetched once somebody wants it. */
export function WeeksHere() {
  return (
    <Suspense fallback={<Words color="secondInk">Fetching the weeks …</Words>}>
      <Weeks />
    </Suspense>
  );
}
