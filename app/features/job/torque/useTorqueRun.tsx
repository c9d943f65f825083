import { itemAt, formatTorque, sequencesOf, torqueKey, torqueSteps } from '@longbar/core';
import type { TorqueSequence, TorqueStep as OneStep } from '@longbar/core';
import type { ReactNode } from 'react';
import { useState } from 'react';
import { FastenerMap } from '../../../drawing/FastenerMap';
import { space } from '../../../theme/tokens';
import { Words } from '../../../ui/Words';
import { useJobLayout } from '../frame/useJobLayout';
import type { WorkingJob } from '../model/workingJob';
import { WrenchSetting } from './WrenchSetting';

type Run = {
  /** What is recorded next: the fastener that is lit, or all up to the one that was tapped. */
  act: { label: string; onPress: () => void };
  body: ReactNode;
};

/** Fastener by fastener in the manual's order, stage by stage; undefined once all are down. */
export function useTorqueRun(job: WorkingJob, when: TorqueSequence['when']): Run | undefined {
  const { panel } = useJobLayout();
  const [tapped, setTapped] = useState<{ stage: number; fastener: number }>();
  const open = sequencesOf(job.setting.sheet, when)
    .map((sequence) => ({ sequence, left: stepsLeft(sequence, job.state.torqued) }))
    .find(({ left }) => left.length > 0);
  if (!open) return undefined;
  const { sequence, left } = open;
  const now = itemAt(left, 0);
  const { stage, fastener } = now;
  const drawn = panel - 2 * space.large;
  const reaches = tapped?.stage === stage && tapped.fastener > fastener;
  const through = reaches ? tapped.fastener : fastener;
  return {
    act: {
      label: reaches
        ? `Fasteners ${fastener + 1} to ${through + 1} are at ${said(now)}`
        : `Fastener ${fastener + 1} is at ${said(now)}`,
      onPress: () =>
        job.act({
          type: 'torque.done',
          sequence: sequence.id,
          stage,
          fastener,
          ...(reaches && { through }),
        }),
    },
    body: (
      <>
        <Words as="heading">{sequence.name}</Words>
        <Words color="secondInk">
          Stage {stage + 1} of {sequence.stages.length}: each to {said(now)}, in this order. Tap a
          later one where all up to it are done.
        </Words>
        <FastenerMap
          fasteners={sequence.fasteners}
          next={fastener}
          through={through}
          width={drawn}
          onTap={(to) => setTapped({ stage, fastener: to })}
        />
        {'angle' in now ? (
          <Words as="title">Turn it {now.angle}° on.</Words>
        ) : (
          <WrenchSetting torque={now.torque} />
        )}
      </>
    ),
  };
}

function stepsLeft(sequence: TorqueSequence, torqued: Record<string, unknown>): OneStep[] {
  return torqueSteps(sequence).filter(
    (step) => !torqued[torqueKey({ ...step, sequence: sequence.id })],
  );
}

function said(step: OneStep): string {
  return 'angle' in step ? `${step.angle}° on` : formatTorque(step.torque);
}
