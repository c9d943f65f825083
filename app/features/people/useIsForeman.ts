import { useMeQuery } from '../../state/api';

/** Whether the phone's person may do what only a foreman may; not while that is not known. */
export function useIsForeman(): boolean {
  const { data } = useMeQuery();
  return data?.role === 'foreman';
}
