import type { AdjusterEntry, JobAct, LengthUnit, LookedInto } from '@longbar/core';
import {
  adjusterInstruction,
  adjusterName,
  describeSettle,
  entryAtWork,
  entryOf,
  isRefused,
  markedIn,
  measureOf,
  policyOf,
  readId,
  settleFirst,
} from '@longbar/core';
import type { ReactNode } from 'react';
import { useCallback, useMemo, useState } from 'react';
import { StyleSheet } from 'react-native';
import { Act } from '../../../ui/Act';
import { Spread } from '../../../ui/Panel';
import { Words } from '../../../ui/Words';
import { Findings } from '../../drift/Findings';
import { useFindings } from '../../drift/useFindings';
import { adjusterView, isBeingSet } from './adjusterView';
import { AimNote } from './AimNote';
import { BladeDrawer } from '../reading/BladeDrawer';
import { BridgePanel } from './BridgePanel';
import { OtherWays } from './OtherWays';
import { StepFrame } from '../frame/StepFrame';
import type { StepProps } from '../model/stepProps';
import { ReadingInput } from '../reading/ReadingInput';
import { TakeThis } from './TakeThis';
import { useFoot } from './useFoot';
import { useBladeSet } from '../reading/useBladeSet';
import { useSpeech } from '../reading/speech';
import { Verdict } from './Verdict';
import { SeenToo } from './WhatWasSeen';
import { WrenchSetting } from '../torque/WrenchSetting';

type Props = StepProps & { id: string; phase: 'found' | 'again'; onward?: ReactNode };

/** One adjuster: what to take, the reading, the verdict, and what is recorded next. */
export function AdjusterPanel(props: Props) {
  const { job, id, after } = props;
  const plain = entryOf(job.setting.sheet, id);
  const aim = entryAtWork(job.setting, job.state, id)?.spec?.aim;
  const set = useBladeSet(job.context.shop.bladeSets);
  const marked = set && markedIn(set);
  const entry = useMemo(() => settable(plain, aim, marked), [plain, aim, marked]);
  if (!entry && id.startsWith('bridge.')) return <BridgePanel {...props} />;
  if (!entry || !set) {
    return (
      <StepFrame job={job} after={after}>
        <Words as="heading">{adjusterName(id)}</Words>
        <Words>The sheet holds no setting for it, or the shop no blades to read it with.</Words>
      </StepFrame>
    );
  }
  return <Panel {...props} entry={entry} set={set} />;
}

/**
 * The entry, where it holds a setting, what it is set to where that is an aim, and the unit of the
 * blades in hand.
 */
function settable(entry?: AdjusterEntry, aim?: number, marked?: LengthUnit) {
  if (!entry?.spec) return undefined;
  const spec = { ...entry.spec, ...(aim !== undefined && { aim }) };
  return { ...entry, spec, ...(marked && { marked }) };
}

type PanelProps = Props & {
  entry: NonNullable<ReturnType<typeof settable>>;
  set: NonNullable<ReturnType<typeof useBladeSet>>;
};

/** After these there is nothing more to do at this adjuster now. */
const ENDS: ReadonlySet<JobAct['type']> = new Set([
  'adjuster.painted',
  'adjuster.unset',
  'shim.found',
]);

function Panel({ entry: atWork, set, ...props }: PanelProps) {
  const { job, id, phase, after, onSelect, onward } = props;
  const say = useSpeech();
  const state = job.state.adjusters[id];
  const findings = useFindings(job.setting.head.machine).filter(({ ids }) => ids.includes(id));
  const view = adjusterView(state, atWork, policyOf(job.setting, job.state), phase);
  // What is left as found, or set all the same, has nothing to do with an aim.
  const aimed = isBeingSet(view);
  const entry = useMemo(
    () => (aimed ? atWork : { ...atWork, spec: plainSpec(atWork) }),
    [aimed, atWork],
  );
  const next = adjusterInstruction(job.setting, job.state, id);
  // It stays while the reading is taken: blades that move under the finger are mistaken.
  const settle = view.reads === 'found' ? settleFirst(job.state, id, entry) : undefined;
  const question = next?.do === 'answer' && next.ask === 'question' ? next.question : undefined;
  const record = job.act;
  const act = useCallback(
    (...acts: JobAct[]) => {
      // Once something is recorded here, nothing but its end or a tap leads on to another.
      onSelect(acts.some(({ type }) => ENDS.has(type)) ? undefined : id);
      record(...acts);
    },
    [onSelect, record, id],
  );
  const [told, setTold] = useState<{ asked: string; seen: LookedInto }>();
  const seen = told?.asked === question?.key ? told?.seen : undefined;
  const foot = useFoot({ job, id, entry, view, question, seen, onward, act });
  return (
    <StepFrame asks={`${id} ${view.reads}`} {...{ job, after, ...foot }}>
      <Spread style={styles.centre}>
        <Words as="heading">{adjusterName(id)}</Words>
        <Sibling {...props} />
      </Spread>
      {phase === 'found' && view.reads === 'found' && <Findings findings={findings} />}
      <TakeThis
        entry={entry}
        set={set}
        temperature={job.setting.sheet.temperature?.state ?? 'cold'}
      />
      {settle && <Words as="strong">{describeSettle(settle)}</Words>}
      <ReadingInput
        {...{ job, id, entry, set, view, act, say }}
        asked={question !== undefined}
        key={id}
      >
        {question?.kind === 'finding' && (
          <SeenToo seen={seen} onSee={(now) => setTold({ asked: question.key, seen: now })} />
        )}
        <Verdict {...{ job, id, entry, view }} asked={question !== undefined}>
          {!question && <AimNote {...{ job, id, view, act }} suspect={findings.length > 0} />}
        </Verdict>
        {!question && view.offers === 'lock' && entry.locknut?.torque !== undefined && (
          <WrenchSetting torque={entry.locknut.torque} />
        )}
      </ReadingInput>
      <OtherWays
        id={id}
        mayDoubt={phase === 'found' && !state?.doubted && !state?.unset}
        mayGiveUp={!state?.painted && !state?.unset}
        act={act}
      />
      {measureOf(entry) === 'lash' && (
        <BladeDrawer sets={job.context.shop.bladeSets} inHand={set} />
      )}
    </StepFrame>
  );
}

function plainSpec({ spec: { low, target, high } }: PanelProps['entry']) {
  return { low, target, high };
}

/** The next adjuster of this cylinder that is set here too, one tap away. */
function Sibling({ job, id, onSelect }: Props) {
  if (isRefused(job.plan)) return null;
  const { cylinder } = readId(id);
  const stop = job.plan.stops.find(({ set }) => set.some((each) => each.id === id));
  const own = stop?.set.filter((each) => readId(each.id).cylinder === cylinder) ?? [];
  const next = own[(own.findIndex((each) => each.id === id) + 1) % own.length];
  if (!next || next.id === id) return null;
  const { painted, unset } = job.state.adjusters[next.id] ?? {};
  const word = painted ? 'finished' : unset ? 'cannot be set' : 'set here too';
  return (
    <Act
      label={`${readId(next.id).kind}: ${word}`}
      name={`${adjusterName(next.id)}: ${word}. Go to it`}
      style={styles.quiet}
      onPress={() => onSelect(next.id)}
    />
  );
}

const styles = StyleSheet.create({
  centre: { alignItems: 'center' },
  quiet: { minHeight: 44, paddingVertical: 4, paddingHorizontal: 12 },
});
