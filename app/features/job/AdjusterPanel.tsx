import type { AdjusterEntry, BladeSet, JobAct, Reading, Spec } from '@longbar/core';
import {
  adjusterName,
  bladeFor,
  describeReading,
  entryOf,
  formatHours,
  formatLength,
  formatMillimetres,
  formatThou,
  isRefused,
  layOutBlades,
  readingFromTrials,
  tapBlade,
  turnsForGap,
} from '@longbar/core';
import type { ReactNode } from 'react';
import { useState } from 'react';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { useDispatch } from 'react-redux';
import { ReadingBand } from '../../drawing/ReadingBand';
import { preferencesChanged } from '../../state/preferences';
import { useAppSelector } from '../../state/store';
import { Act } from '../../theme/Act';
import { Row, Spread } from '../../theme/Panel';
import { space, WIDE } from '../../theme/tokens';
import { Words } from '../../theme/Words';
import type { AdjusterView } from './adjusterView';
import { adjusterView } from './adjusterView';
import { BladeRow } from './BladeRow';
import { StepFrame } from './StepFrame';
import type { StepProps } from './stepProps';

type Props = StepProps & { id: string; phase: 'found' | 'again'; onward?: ReactNode };

/** One adjuster: the blade to take, the reading, the verdict, and what is recorded next. */
export function AdjusterPanel(props: Props) {
  const { job, id, phase, after, onSelect, onward } = props;
  const entry = entryOf(job.setting.sheet, id);
  const spec = entry?.spec;
  const set = useBladeSet(job.context.shop.bladeSets);
  if (!entry || !spec || !set) {
    return (
      <StepFrame job={job} after={after}>
        <Words as="heading">{adjusterName(id)}</Words>
        <Words>The sheet holds no setting for it, or the shop no blades to read it with.</Words>
      </StepFrame>
    );
  }
  const state = job.state.adjusters[id];
  const view = adjusterView(state, spec, job.setting.policy, phase);
  const read = (size: number) => {
    if (!view.reads) return;
    // Once something is read here, nothing but the dab or a tap leads on to another.
    onSelect(id);
    const tried = tapBlade(view.reading?.tried ?? [], size);
    job.act({
      type: 'reading.taken',
      adjuster: id,
      phase: view.reads,
      reading: readingFromTrials(tried),
      tried,
      bladeSet: set.name,
    });
  };
  const act = (act: JobAct) => {
    job.act(act);
    if (act.type === 'adjuster.painted') onSelect(undefined);
  };
  return (
    <StepFrame
      job={job}
      after={after}
      primary={
        <>
          <Offer {...{ id, entry, view, act }} key={`${id} ${view.offers}`} />
          {(view.offers === 'nothing' || view.offers === 'done') && onward}
        </>
      }
    >
      <Spread style={styles.centre}>
        <Words as="heading">{adjusterName(id)}</Words>
        <Sibling {...props} />
      </Spread>
      <BladeToTake {...{ job, spec, set }} />
      {view.reads && (
        <>
          <Spread style={styles.centre}>
            <Words as="strong">{QUESTION[view.reads]}</Words>
            <SetSwitch sets={job.context.shop.bladeSets} set={set} />
          </Spread>
          <BladeRow set={set} spec={spec} tried={view.reading?.tried ?? []} onTap={read} />
        </>
      )}
      <Verdict {...{ job, id, entry, spec, view }} />
    </StepFrame>
  );
}

const QUESTION = {
  found: 'As found: which enter?',
  left: 'Locked. Read again:',
  again: 'Once more: which enter?',
} as const;

/** The blade set in hand: the one chosen on this phone, else the shop's first. */
function useBladeSet(sets: readonly BladeSet[]): BladeSet | undefined {
  const chosen = useAppSelector((state) => state.preferences.bladeSet);
  return sets.find(({ name }) => name === chosen) ?? sets[0];
}

function SetSwitch({ sets, set }: { sets: readonly BladeSet[]; set: BladeSet }) {
  const dispatch = useDispatch();
  const other = sets[(sets.indexOf(set) + 1) % sets.length];
  if (!other || other === set) return null;
  return (
    <Act
      label={`${set.name} ⇄`}
      name={`Blades of the ${set.name}; take the ${other.name}`}
      style={styles.quiet}
      onPress={() => dispatch(preferencesChanged({ bladeSet: other.name }))}
    />
  );
}

/** The next adjuster of this cylinder that is set here too, one tap away. */
function Sibling({ job, id, onSelect }: Props) {
  if (isRefused(job.plan)) return null;
  const cylinder = id.split('.')[1];
  const stop = job.plan.stops[job.state.lastStop?.stop ?? 0];
  const own = stop?.set.filter((each) => each.id.split('.')[1] === cylinder) ?? [];
  const next = own[(own.findIndex((each) => each.id === id) + 1) % own.length];
  if (!next || next.id === id) return null;
  const painted = job.state.adjusters[next.id]?.painted;
  return (
    <Act
      label={`${next.id.split('.')[0]}: ${painted ? 'finished' : 'set here too'}`}
      name={`Go to ${adjusterName(next.id)}`}
      style={styles.quiet}
      onPress={() => onSelect(next.id)}
    />
  );
}

type BladeProps = Pick<Props, 'job'> & { spec: Spec; set: BladeSet };

/** The blade to take: the largest thing on the screen, both units, the kind spelled out. */
function BladeToTake({ job, spec, set }: BladeProps) {
  const blade = bladeFor(layOutBlades(set, spec), spec.target);
  const inch = set.unit === 'inch';
  const size = blade?.size ?? spec.target;
  const temperature = job.setting.sheet.temperature?.state ?? 'cold';
  return (
    <View style={styles.blade}>
      <Words as="blade" aria-label={`Take ${formatLength(spec.target)}`}>
        {inch ? formatThou(size) : formatMillimetres(spec.target)}
      </Words>
      <Words as="heading" color="secondInk">
        {inch ? 'thou' : 'mm'}
      </Words>
      <View style={styles.other}>
        <Words as="figure">
          {inch ? `${formatMillimetres(spec.target)} mm` : `${formatThou(spec.target)} thou`}
        </Words>
        <Words as="note" color="secondInk">
          {formatMillimetres(spec.low)} to {formatMillimetres(spec.high)}, {temperature}
        </Words>
        {blade?.of && (
          <Words as="strong" color="act">
            stack {blade.of.map(inch ? formatThou : formatMillimetres).join(' + ')}
          </Words>
        )}
      </View>
    </View>
  );
}

type VerdictProps = Pick<Props, 'job' | 'id'> & {
  entry: AdjusterEntry;
  spec: Spec;
  view: AdjusterView;
};

function Verdict({ job, id, entry, spec, view }: VerdictProps) {
  const { width } = useWindowDimensions();
  const band = Math.min(width, width >= WIDE ? 388 : width) - 2 * space.large;
  const { judgement, reading, offers } = view;
  const before = job.context.lastLeft?.readings[id];
  const wrong = judgement && (judgement.verdict === 'tight' || judgement.verdict === 'loose');
  return (
    <View style={styles.verdict}>
      {judgement && (
        <Words as="strong" color={wrong ? 'act' : 'ink'} role="status">
          {judgement.why}
        </Words>
      )}
      {offers === 'lock' && <Words as="note">{howToAdjust(entry, spec, reading)}</Words>}
      {offers === 'done' && reading && (
        <Words as="strong">Finished: {describeReading(reading)} mm.</Words>
      )}
      <ReadingBand spec={spec} width={band} {...(reading && { reading })} />
      {before && (
        <Words as="note" color="secondInk">
          Was left at {describeReading(before)} mm{hoursAgo(job)}.
        </Words>
      )}
    </View>
  );
}

function hoursAgo({ context, state }: Props['job']): string {
  const then = context.lastLeft?.hours?.hours;
  const now = state.hours?.hours;
  return then === undefined || now === undefined ? '' : `, ${formatHours(now - then)} h ago`;
}

/** Which way and about how far to turn the screw, where the sheet tells its pitch. */
function howToAdjust(entry: AdjusterEntry, spec: Spec, reading: Reading | undefined): string {
  const settle = 'Locking usually closes the gap a little.';
  if (!entry.screw || !reading || reading.noGo === null) return settle;
  const gap = spec.target - (reading.go + reading.noGo) / 2;
  const sixteenths = Math.round(Math.abs(turnsForGap(entry.screw, gap)) * 16);
  if (sixteenths === 0) return settle;
  return `${gap > 0 ? 'Back off' : 'Turn in'} about ${fraction(sixteenths)} turn. ${settle}`;
}

function fraction(sixteenths: number): string {
  let [over, under] = [sixteenths, 16];
  while (over % 2 === 0 && under > 1) [over, under] = [over / 2, under / 2];
  return under === 1 ? String(over) : `${over}/${under}`;
}

type OfferProps = {
  id: string;
  entry: AdjusterEntry;
  view: AdjusterView;
  act: (act: JobAct) => void;
};

/** What may be recorded now: leave, lock, or the dab. */
function Offer({ id, entry, view, act }: OfferProps) {
  const [anyway, setAnyway] = useState(false);
  const torque = entry.locknut?.torque;
  if (view.offers === 'lock' || anyway) {
    return (
      <Row>
        <Act
          weight="primary"
          style={styles.grow}
          label={torque === undefined ? 'Locked to torque' : `Locked at ${torque} N·m`}
          name={`Adjusted, locked ${torque === undefined ? 'to torque' : `at ${torque} N·m`}`}
          onPress={() =>
            act({
              type: 'adjuster.locked',
              adjuster: id,
              how: 'torque',
              ...(torque !== undefined && { torque }),
            })
          }
        />
        <Act
          label="By feel"
          name="Adjusted, locked by feel"
          onPress={() => act({ type: 'adjuster.locked', adjuster: id, how: 'feel' })}
        />
      </Row>
    );
  }
  if (view.offers === 'keep') {
    return (
      <Row>
        <Act
          weight="primary"
          style={styles.grow}
          label="Leave as found"
          onPress={() => act({ type: 'adjuster.kept', adjuster: id })}
        />
        <Act label="Set anyway" onPress={() => setAnyway(true)} />
      </Row>
    );
  }
  if (view.offers === 'paint') {
    return (
      <Act
        weight="primary"
        label="Paint dab on the nut"
        onPress={() => act({ type: 'adjuster.painted', adjuster: id })}
      />
    );
  }
  return null;
}

const styles = StyleSheet.create({
  centre: { alignItems: 'center' },
  quiet: { minHeight: 44, paddingVertical: 4, paddingHorizontal: 12 },
  blade: { flexDirection: 'row', alignItems: 'baseline', gap: space.small },
  other: { marginLeft: 'auto', alignItems: 'flex-end' },
  verdict: { gap: 6 },
  grow: { flex: 1 },
});
