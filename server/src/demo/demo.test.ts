import {
  pastOf,
  findingsOf,
  foldJob,
  isRefused,
  jobSteps,
  JobEventsSchema,
  parseSheet,
  begunOf,
  settingOf,
  planBarring,
} from '@longbar/core';
import * as v from 'valibot';
import { NOW } from '../../test-support/now';
import { summarise } from '../jobRead/summary';
import { signedJob } from './signedJob';
import { MACHINES, SHEETS, SHOP } from './yard';

describe('the demo', () => {
  it.each(SHEETS.map(({ document }) => [document.name, document] as const))(
    '%s is a sound sheet',
    (_, document) => {
      expect(parseSheet(document)).toEqual({ sheet: document });
      const plan = planBarring(document, { method: 'each' });
      expect(isRefused(plan)).toBe(false);
    },
  );

  it('holds two charts from manuals, one of which conflicts', () => {
    const flags = SHEETS.flatMap(({ document }) => {
      const plan = planBarring(document, { method: 'manual' });
      return isRefused(plan) ? [] : [plan.flags?.map(({ why }) => why)];
    });
    expect(flags).toHaveLength(2);
    expect(flags).toContainEqual(['on lobe']);
  });

  it('holds past jobs whose every event is sound and whose every gate is passed', () => {
    for (const machine of MACHINES) {
      for (const past of machine.jobs) {
        const { head, events } = signedJob(machine, past, NOW);
        expect(v.is(JobEventsSchema, events)).toBe(true);
        const state = foldJob(events);
        const setting = settingOf(
          begunOf({ head, sheet: machine.sheet.document, shop: SHOP }),
          state,
        );
        const missing = jobSteps(setting, state, NOW.toISOString()).flatMap((step) => step.missing);
        expect(missing).toEqual([]);
        expect(signedJob(machine, past, NOW).events).toEqual(events);
      }
    }
  });

  it('tells each machine’s story by what its last check found', () => {
    const findings = MACHINES.map((machine) => {
      const { document } = machine.sheet;
      const checks = machine.jobs.map((past) => {
        const { head, events } = signedJob(machine, past, NOW);
        return summarise(head, document, { ...SHOP, bladeSets: [] }, events, NOW.toISOString())
          .check;
      });
      const every = document.service?.everyHours ?? 0;
      const { sheet, histories } = pastOf(document, checks, []);
      return findingsOf(sheet, histories, every).map(({ finding, ids }) => [finding, ...ids]);
    });
    expect(findings[0]).toEqual([]);
    expect(findings[1]).toEqual([['locknut', 'intake.3']]);
    expect(findings[3]).toEqual([]);
    expect(findings[5]).toEqual([['drift-apart', 'exhaust.4']]);
    expect(findings[6]).toContainEqual(['swap', 'intake.5', 'exhaust.5']);
  });

  it('sums a job up as its journal stands, signed or not', () => {
    const machine = MACHINES[0]!;
    const { head, events } = signedJob(machine, machine.jobs[0]!, NOW);
    const sum = (count: number) =>
      summarise(
        head,
        machine.sheet.document,
        { ...SHOP, bladeSets: [] },
        events.slice(0, count),
        NOW.toISOString(),
      );
    expect(sum(0).summary).toMatchObject({
      hours: null,
      signed: null,
      set: { done: 0, of: 12 },
      step: { title: 'Why', place: 0 },
    });
    const whole = sum(events.length);
    expect(whole.summary).toMatchObject({
      step: null,
      signed: { name: 'Ina' },
      set: { done: 12, of: 12 },
      hours: { hours: 3340 },
    });
    expect(Object.keys(whole.check.left)).toHaveLength(12);
    expect(sum(events.length - 1).summary.signed).toBeNull();
  });
});
