import type { Finding, MachineDetail } from '@longbar/core';
import { findingsOf, historiesOf, sheetOfChecks } from '@longbar/core';
import { useMemo } from 'react';
import { useMachineQuery } from '../../state/api';

/** The findings of a machine's last check. */
export function machineFindings({ document, history, meter }: MachineDetail): Finding[] {
  const checks = history.map(({ summary }) => summary);
  const sheet = sheetOfChecks(document, checks);
  const histories = historiesOf(sheet, checks, meter);
  return findingsOf(sheet, histories, sheet.service?.everyHours ?? 0);
}

/** The findings of a machine's last check, from what the server or this phone knows of it. */
export function useFindings(machine: string): Finding[] {
  const { data } = useMachineQuery(machine);
  return useMemo(() => (data ? machineFindings(data) : []), [data]);
}
