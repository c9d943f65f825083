import type { JobAct } from '@longbar/core';
import { adjusterName, describeUnset, entryOf, formatTorque } from '@longbar/core';
import type { ReactNode } from 'react';
import { Words } from '../../../ui/Words';
import { AfterAll } from './AfterAll';
import { OtherWays } from './OtherWays';
import { StepFrame } from '../frame/StepFrame';
import { WrenchSetting } from '../torque/WrenchSetting';
import type { StepProps } from '../model/stepProps';

type Props = StepProps & { id: string; onward?: ReactNode };

/** A bridge has no gap of its own: it is levelled on both stems before the lash over it is set. */
export function BridgePanel({ job, id, after, onSelect, onward }: Props) {
  const { painted, unset } = job.state.adjusters[id] ?? {};
  const torque = entryOf(job.setting.sheet, id)?.locknut?.torque;
  const at = torque === undefined ? 'locked' : `locked at ${formatTorque(torque)}`;
  const level = () => {
    onSelect(undefined);
    job.act(
      torque === undefined
        ? { type: 'adjuster.locked', adjuster: id, how: 'feel' }
        : { type: 'adjuster.locked', adjuster: id, how: 'torque', torque },
      { type: 'adjuster.painted', adjuster: id },
    );
  };
  const act = (act: JobAct) => {
    onSelect(undefined);
    job.act(act);
  };
  const open = !painted && !unset;
  const closed = (
    <>
      {unset && <AfterAll id={id} act={act} />}
      {onward}
    </>
  );
  return (
    <StepFrame
      job={job}
      asks={id}
      after={after}
      {...(open ? { act: { label: `Level, ${at}`, onPress: level } } : { primary: closed })}
    >
      <Words as="heading">{adjusterName(id)}</Words>
      {open ? (
        <>
          <Words as="title">Level it first</Words>
          <Words>
            Back its screw off. Press the bridge down on the guided stem, straight over it. Turn the
            screw down until it just touches the other stem, and no further. Hold it and lock the
            nut. Both stems must be touched alike: a thin blade drags the same under each end.
          </Words>
          {torque !== undefined && <WrenchSetting torque={torque} />}
          <Words color="secondInk">The lash over this bridge is set after that.</Words>
        </>
      ) : (
        <Words as="strong">{unset ? `It ${describeUnset(unset)}` : `Levelled and ${at}.`}</Words>
      )}
      <OtherWays id={id} mayDoubt={false} mayGiveUp={open} act={act} />
    </StepFrame>
  );
}
