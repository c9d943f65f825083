import type { JobAct } from '../src';
import { dueActs, foldJob, jobPlan } from '../src';
import { inlineSix, planned } from './engines';
import { foundAtMark, journal, settingOn } from './journal';

/** A six whose every valve is set by a shim, and a job on it. */
export const SETTING = settingOn(
  inlineSix({ adjusters: inlineSix().adjusters.map((entry) => ({ ...entry, method: 'shim' })) }),
);

/** What was done on it before its first stop is worked. */
export const START: JobAct[] = [
  ...foundAtMark(),
  ...dueActs(SETTING, foldJob(journal(foundAtMark()))),
];

/** Its stops, from where it was found. */
export const PLAN = planned(jobPlan(SETTING, foldJob(journal(START))));

/** The lash in the middle of a valve's limits, µm. */
export const targetOf = (id: string): number => (id.startsWith('intake') ? 330 : 580);
