import { turnAsked } from '@longbar/core';
import type { ReactNode } from 'react';
import { createContext, useContext, useState } from 'react';
import { crankAngle } from '../engine/jobCells';
import type { WorkingJob } from '../model/workingJob';
import type { Link } from './useLink';
import { useLink } from './useLink';

/** Who turns while this phone is at the rockers; undefined where its owner turns. */
export type Turner = {
  name: string | undefined;
  setName: (name: string | undefined) => void;
  link: Link;
};

const TurnerContext = createContext<Turner | undefined>(undefined);

/** Keeps the link to the one who turns from stop to stop, whatever the screen shows meanwhile. */
export function TurnerProvider({ job, children }: { job: WorkingJob; children: ReactNode }) {
  const [name, setName] = useState<string>();
  const asked = {
    turn: turnAsked(job.instruction, crankAngle(job)),
    after: job.state.crank.last,
  };
  const link = useLink(job.setting.head.id, 'rockers', asked, name !== undefined);
  return <TurnerContext value={{ name, setName, link }}>{children}</TurnerContext>;
}

export function useTurner(): Turner {
  const turner = useContext(TurnerContext);
  if (!turner) throw new Error('Who turns is known inside a job only.');
  return turner;
}

/** The name of the one who turns, as a turn is written down with it. */
export function helperOf({ name }: Turner): { helper?: string } {
  return name?.trim() ? { helper: name.trim() } : {};
}
