import type { ComponentProps } from 'react';
import { lazy, Suspense } from 'react';
import { Words } from '../../ui/Words';

// The sums are a script of their own: the yard and a job do without until one is asked for.
const AnySum = lazy(() => import('./AnySum'));

/** A sum, once its script is here. */
export function SumHere(props: ComponentProps<typeof AnySum>) {
  return (
    <Suspense fallback={<Words>Opening the sum …</Words>}>
      <AnySum {...props} />
    </Suspense>
  );
}
