import type { BarringMethod, EngineSheet, MachineDetail } from '@longbar/core';
import {
  counted,
  inMeterOrder,
  isRefused,
  meterForJob,
  METHOD_WORDS,
  openConflicts,
  planBarring,
} from '@longbar/core';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { useDispatch } from 'react-redux';
import { v4 as uuid } from 'uuid';
import { useShopQuery } from '../../state/api';
import { preferencesChanged } from '../../state/preferences';
import { useAppSelector } from '../../state/store';
import { useSync } from '../../sync/SyncProvider';
import { Act } from '../../ui/Act';
import { Field } from '../../ui/Field';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import { usePinFirst } from '../people/usePinFirst';
import { MethodChoice } from '../shared/MethodChoice';

/** Starts a lash job: the name of the one who works goes on every act. */
export function StartJob({ machine }: { machine: MachineDetail }) {
  const router = useRouter();
  const sync = useSync();
  const dispatch = useDispatch();
  const shop = useShopQuery();
  const remembered = useAppSelector((state) => state.preferences.name);
  const { pinFirst, asking } = usePinFirst();
  const [typed, setName] = useState<string>();
  const name = typed ?? remembered;
  const [problem, setProblem] = useState<string>();
  const { document } = machine;
  const [method, setMethod] = useState<BarringMethod>(() => usualMethod(document));
  const unsettled = method === 'manual' ? openConflicts(document).length : 0;
  const start = async () => {
    if (!shop.data) return;
    const id = uuid();
    const by = name.trim();
    const { document: sheet, lastLeft, notes, rates, lockPairs } = machine;
    const head = {
      id,
      machine: machine.id,
      sheet: machine.sheet.id,
      method,
      sheetRevision: machine.sheet.revision,
      at: new Date().toISOString(),
      by,
    };
    dispatch(preferencesChanged({ name: by }));
    try {
      const known = inMeterOrder(counted(machine.readings), machine.meter);
      const hourMeter = meterForJob(known, machine.meter);
      const context = { head, machineName: machine.name, sheet, shop: shop.data, lastLeft };
      await sync.beginJob({
        ...context,
        hourMeter,
        ...(notes && { notes }),
        ...(rates && { rates }),
        ...(lockPairs && { lockPairs }),
      });
      router.push(`/jobs/${id}`);
    } catch (error) {
      setProblem(error instanceof Error ? error.message : String(error));
    }
  };
  return (
    <Stack>
      <Field label="Who works" value={name} onChange={setName} />
      <Words as="strong">Method</Words>
      <MethodChoice sheet={document} chosen={method} onChoose={setMethod} />
      <Words as="note" color="secondInk">
        {METHOD_WORDS[method]}
      </Words>
      {unsettled > 0 && (
        <Stack gap={8}>
          <Words as="strong" color="stop" role="alert">
            The chart and the model differ in {unsettled} {unsettled === 1 ? 'place' : 'places'}.
            Settle it before a job goes by the chart.
          </Words>
          <Act label="Open the sheet" onPress={() => router.push(`/sheets/${machine.sheet.id}`)} />
        </Stack>
      )}
      <Act
        weight="primary"
        label="Start a lash job"
        disabled={name.trim() === '' || !shop.data || unsettled > 0}
        onPress={() => pinFirst(name.trim(), () => void start())}
      />
      {asking}
      {name.trim() === '' && (
        <Words as="note" color="secondInk">
          Type who works first: the record says who read what.
        </Words>
      )}
      {problem !== undefined && (
        <Words color="stop" role="alert">
          This phone cannot keep a job: {problem}
        </Words>
      )}
    </Stack>
  );
}

/** The manual's chart where nothing in it is open, else the fewest looks at the mark. */
function usualMethod(sheet: EngineSheet): BarringMethod {
  if (sheet.chart?.length && openConflicts(sheet).length === 0) return 'manual';
  const two = planBarring(sheet, { method: 'two-position' });
  const served =
    !isRefused(two) &&
    two.leftOver.every(({ id }) => !id.startsWith('intake') && !id.startsWith('exhaust'));
  return served ? 'two-position' : 'each';
}
