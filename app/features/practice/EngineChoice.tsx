import type { EngineSheet } from '@longbar/core';
import { practiceSheet, quickSheet, readOrder } from '@longbar/core';
import { useMemo } from 'react';
import { useSheetQuery, useSheetsQuery } from '../../state/api';
import { Select } from '../../ui/Select';
import type { Asked } from '../shared/Coming';

/** Engines to practise on without a sheet, by their firing order. */
const ORDERS = ['1-3-4-2', '1-5-3-6-2-4', '1-4-2-6-3-5', '1-8-4-3-6-5-7-2'];

/** The engine chosen: one of the shop’s sheets, or one known by its firing order alone. */
export function useEngine(engine: string): { sheet: EngineSheet | undefined; asked: Asked } {
  const bare = ORDERS.includes(engine);
  const lines = useSheetsQuery();
  const id = lines.data?.find(({ name }) => name === engine)?.id;
  const asked = useSheetQuery(id ?? '', { skip: bare || id === undefined });
  const quick = useMemo(() => {
    const read = readOrder(engine);
    return bare && 'order' in read ? quickSheet(read.order, 'in-line') : undefined;
  }, [bare, engine]);
  const sheet = quick ?? asked.data?.document;
  return {
    sheet: sheet && practiceSheet(sheet),
    asked: id === undefined ? lines : asked,
  };
}

/** Which engine is practised on. */
export function EngineChoice({
  engine,
  onChoose,
}: {
  engine: string;
  onChoose: (engine: string) => void;
}) {
  const { data } = useSheetsQuery();
  const own = data?.map(({ name }) => name) ?? [];
  return <Select label="Engine" value={engine} options={[...ORDERS, ...own]} onChange={onChoose} />;
}
