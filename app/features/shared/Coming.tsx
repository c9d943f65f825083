import { whyUntold } from '../../state/refusal';
import { Act } from '../../ui/Act';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';

/** What was asked of the server, and the way to ask it again. */
export type Asked = {
  /** Why it did not come, until it comes. */
  error?: object | undefined;
  isFetching: boolean;
  refetch: () => unknown;
};

type Props = {
  /** What is fetched: "the sheet". */
  what: string;
  of: Asked;
  /** What hangs on it, where it does not come. */
  without?: string;
};

/**
 * In the place of what has not come: that it is fetched, or why it does not come. That stays while it
 * is asked for again: the application does so by itself, and a button may not go under a finger.
 */
export function Coming({ what, of: { error, isFetching, refetch }, without }: Props) {
  if (!error) return <Words color="secondInk">Fetching {what} …</Words>;
  return (
    <Stack>
      <Words as="strong" role="alert">
        {whyUntold(error)}
      </Words>
      {without !== undefined && <Words>{without}</Words>}
      <Act label={isFetching ? 'Asking again …' : 'Try again'} onPress={() => void refetch()} />
    </Stack>
  );
}
