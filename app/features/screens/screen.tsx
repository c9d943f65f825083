import type { ComponentType, LazyExoticComponent } from 'react';
import { lazy, Suspense } from 'react';
import { space } from '../../theme/tokens';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';

const script = () => import('./all');
type All = Awaited<ReturnType<typeof script>>;

/** What reads a job by its journal, with the screens of a job. */
export const jobReader = async () => (await script()).reader;

/**
 * A screen that the yard does without, and what stands in its place until its script is here. All
 * of them are one script: what two scripts share would come with every first visit, so each further
 * door makes that slower.
 *
 * @example const JobScreen = screen((all) => all.JobScreen);
 */
export function screen<Props extends object>(
  pick: (all: All) => ComponentType<Props>,
  Meanwhile: ComponentType<Props> = Opening,
): ComponentType<Props> {
  const Lazy: LazyExoticComponent<ComponentType<Props>> = lazy(async () => ({
    default: pick(await script()),
  }));
  return function Behind(props: Props) {
    return (
      <Suspense fallback={<Meanwhile {...props} />}>
        <Lazy {...props} />
      </Suspense>
    );
  };
}

function Opening() {
  return (
    <Stack style={{ padding: space.large, flex: 1 }}>
      <Words as="heading">Opening …</Words>
    </Stack>
  );
}
