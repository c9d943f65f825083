import { ignore } from '@longbar/core';
import { useRouter } from 'expo-router';
import type { ComponentType } from 'react';
import { lazy, Suspense } from 'react';
import { space } from '../../theme/tokens';
import { Act } from '../../ui/Act';
import { Stack } from '../../ui/Panel';
import { useLasts } from '../../ui/useLasts';
import { Words } from '../../ui/Words';

/** Asked for again after so long, where the signal went before it was here, ms. */
const AGAIN_AFTER = 2000;
/** A page that has not come after so long says so, ms. */
const SAID_AFTER = 5000;

async function fetched() {
  for (;;) {
    const here = await import('./all').catch(ignore('the script is asked for again'));
    if (here) return here;
    await new Promise((resolve) => setTimeout(resolve, AGAIN_AFTER));
  }
}
type All = Awaited<ReturnType<typeof fetched>>;

let fetching: Promise<All> | undefined;
/** The script of all screens but the yard, fetched once. */
const script = () => (fetching ??= fetched());

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
  const Lazy: ComponentType<Props> = lazy(async () => ({ default: pick(await script()) }));
  return function Behind(props: Props) {
    return (
      <Suspense fallback={<Meanwhile {...props} />}>
        <Lazy {...props} />
      </Suspense>
    );
  };
}

function Opening() {
  const late = useLasts(true, SAID_AFTER);
  const router = useRouter();
  return (
    <Stack style={{ padding: space.large, flex: 1 }}>
      <Words as="heading">Opening …</Words>
      {late && (
        <>
          <Words role="status">
            The rest of the application is not here yet. It is fetched as soon as the server can be
            reached.
          </Words>
          <Act label="Load the page again" onPress={() => globalThis.location.reload()} />
          <Act label="Back to the yard" onPress={() => router.replace('/')} />
        </>
      )}
    </Stack>
  );
}
