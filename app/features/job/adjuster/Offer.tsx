import type { AdjusterEntry, JobAct, SettableEntry } from '@longbar/core';
import { adjusterName, formatMillimetres, formatTorqueAlone } from '@longbar/core';
import { useState } from 'react';
import { Act } from '../../../ui/Act';
import { Row } from '../../../ui/Panel';
import { Words } from '../../../ui/Words';
import type { AdjusterView } from './adjusterView';
import { AfterAll } from './AfterAll';
import { sideBySide } from './sideBySide';
import type { WorkingJob } from '../model/workingJob';

type Props = {
  job: WorkingJob;
  id: string;
  entry: AdjusterEntry & SettableEntry;
  view: AdjusterView;
  /** The shim that is in it, as the wheel stands, µm. */
  shim: number;
  act: (...acts: JobAct[]) => void;
};

/** What may be recorded now: leave, lock, the shim that is in, or the dab. */
export function Offer({ job, id, entry, view, shim, act }: Props) {
  const [anyway, setAnyway] = useState(false);
  if (view.offers === 'lock' || anyway) return <Lock id={id} entry={entry} act={act} />;
  const sets = !job.state.scope?.checkOnly;
  switch (view.offers) {
    case 'keep':
      if (!sets) return <Checked id={id} act={act} />;
      return (
        <Row style={sideBySide.lines}>
          <Act
            weight="primary"
            style={sideBySide.whole}
            label="Leave as found"
            onPress={() => act({ type: 'adjuster.kept', adjuster: id })}
          />
          <Act label="Set anyway" style={sideBySide.whole} onPress={() => setAnyway(true)} />
        </Row>
      );
    case 'unsettled':
      return (
        <Row style={sideBySide.lines}>
          <Act
            label={view.reads === 'found' ? 'Leave it unsettled' : 'Finish it unsettled'}
            style={sideBySide.whole}
            onPress={() =>
              act({
                type: view.reads === 'found' ? 'adjuster.kept' : 'adjuster.painted',
                adjuster: id,
              })
            }
          />
          {sets && entry.method !== 'shim' && (
            <Act label="Set it" style={sideBySide.whole} onPress={() => setAnyway(true)} />
          )}
        </Row>
      );
    case 'shim':
      return (
        <Act
          weight="primary"
          label={`Shim in it: ${formatMillimetres(shim)} mm`}
          onPress={() => act({ type: 'shim.found', adjuster: id, size: shim })}
        />
      );
    case 'measured':
      return <Words>Measured. The shims are worked out once all are.</Words>;
    case 'paint':
      if (!sets) return <Checked id={id} act={act} />;
      return (
        <Act
          weight="primary"
          label={entry.method === 'shim' ? 'Finished' : 'Paint dab on the nut'}
          name={entry.method === 'shim' ? `${adjusterName(id)} finished` : 'Paint dab on the nut'}
          onPress={() => act({ type: 'adjuster.painted', adjuster: id })}
        />
      );
    case 'unset':
      return <AfterAll id={id} act={act} />;
    default:
      return null;
  }
}

/** Only checked: it stays as it was found, whatever the reading says. */
function Checked({ id, act }: Pick<Props, 'id' | 'act'>) {
  return (
    <Act
      weight="primary"
      label="Checked, leave as found"
      onPress={() =>
        act({ type: 'adjuster.kept', adjuster: id }, { type: 'adjuster.painted', adjuster: id })
      }
    />
  );
}

function Lock({ id, entry, act }: Pick<Props, 'id' | 'entry' | 'act'>) {
  const torque = entry.locknut?.torque;
  const { aim } = entry.spec;
  const locked = {
    type: 'adjuster.locked' as const,
    adjuster: id,
    ...(aim !== undefined && { aimed: aim }),
  };
  // Without a torque on the sheet nobody can say that it was met.
  if (torque === undefined) {
    return (
      <Act
        weight="primary"
        label="Adjusted and tightened"
        onPress={() => act({ ...locked, how: 'feel' })}
      />
    );
  }
  return (
    <Row style={sideBySide.lines}>
      <Act
        weight="primary"
        style={sideBySide.whole}
        label={`Locked at ${formatTorqueAlone(torque)}`}
        name={`Adjusted, locked at ${formatTorqueAlone(torque)}`}
        onPress={() => act({ ...locked, how: 'torque', torque })}
      />
      <Act
        label="By feel"
        style={sideBySide.whole}
        name="Adjusted, locked by feel"
        onPress={() => act({ ...locked, how: 'feel' })}
      />
    </Row>
  );
}
