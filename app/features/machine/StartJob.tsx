import type { MachineDetail } from '@longbar/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useDispatch } from 'react-redux';
import { v4 as uuid } from 'uuid';
import { useShopQuery } from '../../state/api';
import { preferencesChanged } from '../../state/preferences';
import { useAppSelector } from '../../state/store';
import { useSync } from '../../sync/SyncProvider';
import { Act } from '../../theme/Act';
import { Field } from '../../theme/Field';
import { Stack } from '../../theme/Panel';
import { Words } from '../../theme/Words';

/** Starts a lash job: the name of the one who works goes on every act. */
export function StartJob({ machine }: { machine: MachineDetail }) {
  const router = useRouter();
  const sync = useSync();
  const dispatch = useDispatch();
  const shop = useShopQuery();
  const remembered = useAppSelector((state) => state.preferences.name);
  const [name, setName] = useState(remembered);
  const [problem, setProblem] = useState<string>();
  const start = async () => {
    if (!shop.data) return;
    const id = uuid();
    const by = name.trim();
    const { document: sheet, lastLeft } = machine;
    const head = {
      id,
      machine: machine.id,
      method: 'two-position' as const,
      sheetRevision: machine.sheet.revision,
      at: new Date().toISOString(),
      by,
    };
    dispatch(preferencesChanged({ name: by }));
    try {
      await sync.beginJob({ head, machineName: machine.name, sheet, shop: shop.data, lastLeft });
      router.push(`/jobs/${id}`);
    } catch (error) {
      setProblem(error instanceof Error ? error.message : String(error));
    }
  };
  return (
    <Stack>
      <Field label="Who works" value={name} onChange={setName} />
      <Act
        weight="primary"
        label="Start a lash job"
        disabled={name.trim() === '' || !shop.data}
        onPress={() => void start()}
      />
      {problem !== undefined && (
        <Words color="stop" role="alert">
          This phone cannot keep a job: {problem}
        </Words>
      )}
    </Stack>
  );
}
