import type { ComponentProps } from 'react';
import { lazy, Suspense } from 'react';
import { space } from '../../theme/tokens';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';

// A true job and practice share these screens. What two pages share comes with every page, unless it
// is a script of its own: the yard does without this one.
const script = () => import('./JobView');
const Screens = lazy(async () => ({ default: (await script()).JobView }));

/** Fetches the screens of a job ahead, beside the job itself. */
export const fetchJobView = () => void script();

/** The screens of a job, once their script is here. */
export function JobHere(props: ComponentProps<typeof Screens>) {
  return (
    <Suspense
      fallback={
        <Stack style={{ padding: space.large, flex: 1 }}>
          <Words as="heading">Opening the job …</Words>
        </Stack>
      }
    >
      <Screens {...props} />
    </Suspense>
  );
}
