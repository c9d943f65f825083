import { ignore, isAtLeast } from '@longbar/core';
import { useEffect } from 'react';
import { useDispatch } from 'react-redux';
import { useMeQuery } from '../../state/api';
import { preferencesChanged } from '../../state/preferences';
import { useAppSelector } from '../../state/store';
import { useSync } from '../../sync/SyncProvider';

/** What was kept for one role is not shown to a lower one: it is forgotten when the role falls. */
export function useRoleKept(): void {
  const sync = useSync();
  const dispatch = useDispatch();
  const before = useAppSelector(({ preferences }) => preferences.role);
  const role = useMeQuery().data?.role;
  useEffect(() => {
    if (role === undefined || role === before) return;
    const keepRole = () => void dispatch(preferencesChanged({ role }));
    if (before === null || isAtLeast(role, before)) return keepRole();
    sync.forgetAnswers().then(keepRole, ignore('it is forgotten at the next look'));
  }, [sync, dispatch, before, role]);
}
