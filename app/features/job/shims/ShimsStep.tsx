import type { ShimAct, ShimPlan, ShimRow } from '@longbar/core';
import {
  adjusterName,
  describeShim,
  formatFigure,
  formatLength,
  formatMillimetres,
  formatSetting,
  FROM_BUY,
  FROM_STOCK,
  isRefused,
  shimPlanTaken,
  shimRows,
  shimStage,
} from '@longbar/core';
import { StyleSheet, View } from 'react-native';
import { Act } from '../../../ui/Act';
import { Caution } from '../../../ui/Caution';
import { Stack } from '../../../ui/Panel';
import { space } from '../../../theme/tokens';
import { useTokens } from '../../../theme/ThemeProvider';
import { Words } from '../../../ui/Words';
import { AdjusterPanel } from '../adjuster/AdjusterPanel';
import { StepFrame } from '../frame/StepFrame';
import type { StepProps } from '../model/stepProps';
import { useShimPlan } from './useShimPlan';
import { AtTheRockers, isAtTheRockers } from '../position/AtTheRockers';
import { PressedPast } from './PressedPast';

/** Shims: worked out over all buckets at once, then fitted stop by stop and read again. */
export function ShimsStep(props: StepProps) {
  const { job } = props;
  if (isRefused(job.plan)) return null;
  if (isAtTheRockers(props)) return <AtTheRockers {...props} />;
  const next = shimStage(job.setting.sheet, job.state, job.plan);
  switch (next.stage) {
    case 'plan':
      return <WorkOut {...props} />;
    case 'bar':
    case 'done':
      return null;
    case 'fit':
      return <Fit {...props} acts={next.acts} />;
    case 'read':
      return <AdjusterPanel {...props} id={next.id} phase="found" />;
  }
}

function WorkOut({ job, after }: StepProps) {
  const { policy } = job.setting;
  const supply = job.context.shop.shims;
  const rows = isRefused(job.plan) ? [] : shimRows(job.setting, job.state, job.plan);
  const { plan, failed } = useShimPlan(rows, supply && { ...supply, policy });
  return (
    <StepFrame
      job={job}
      after={after}
      act={{
        label: plan?.buy.length ? 'Bought: fit them' : 'Fit them like this',
        disabled: plan === undefined || plan.outside.length > 0,
        onPress: () => plan && job.act(...shimPlanTaken(plan, job.state)),
      }}
    >
      <Words as="heading">Which shim goes where</Words>
      <Words color="secondInk">
        New = old + measured − left, as near to the target as sizes come. Shims coming out serve
        elsewhere before the drawer, and the drawer before the shop.
      </Words>
      {!supply && <Words as="strong">The shop has no list of shims yet.</Words>}
      {failed !== undefined && (
        <Words as="strong" color="stop" role="alert">
          It could not be worked out: {failed}
        </Words>
      )}
      {supply && !plan && failed === undefined && <Words role="status">Working it out …</Words>}
      {plan && plan.buy.length > 0 && (
        <Words as="strong" color="act" role="status">
          To buy:{' '}
          {plan.buy.map(({ size, count }) => `${count} × ${formatMillimetres(size)}`).join(', ')}{' '}
          mm.
        </Words>
      )}
      {plan && plan.outside.length > 0 && (
        <Words as="strong" color="stop" role="alert">
          No shim brings these inside: {plan.outside.map(adjusterName).join(', ')}.
        </Words>
      )}
      {plan?.outside.map((id) => (
        <CannotBeSet key={id} job={job} id={id} />
      ))}
      {plan && <Sums plan={plan} rows={rows} />}
    </StepFrame>
  );
}

/** Gaps are told by the shop's blades; shims, and the sums of shims, in mm. */
const gap = (size: number) => formatSetting('lash', size);

function Sums({ plan, rows }: { plan: ShimPlan; rows: readonly ShimRow[] }) {
  const tokens = useTokens();
  const targets = new Map(rows.map(({ id, spec }) => [id, spec.target]));
  return (
    <View role="table" aria-label="The sums">
      {changedFirst(plan).map((row) => (
        <View key={row.id} role="row" style={[styles.sum, { borderColor: tokens.hair }]}>
          <Words role="rowheader" as="strong">
            {adjusterName(row.id)}
          </Words>
          <Words role="cell" as="figure">
            {row.from === row.id ? `stays: ${gap(row.lash)}` : row.sum}
          </Words>
          <Words role="cell" as="note" color="secondInk">
            {row.from === row.id
              ? `shim ${formatLength(row.old)}, inside its limits`
              : `leaves ${gap(row.lash)}${aimedWords(row.aimed)}, target ${formatFigure('lash', targets.get(row.id) ?? row.lash)}; ${sourceOf(row.from)}`}
          </Words>
        </View>
      ))}
    </View>
  );
}

/** What it was planned for against its drift; the target is told in any case. */
function aimedWords(aimed: number | undefined): string {
  return aimed === undefined ? '' : `, aimed at ${formatFigure('lash', aimed)}`;
}

function changedFirst({ rows }: ShimPlan): ShimPlan['rows'] {
  return [...rows].sort((a, b) => Number(a.from === a.id) - Number(b.from === b.id));
}

function sourceOf(from: string): string {
  if (from === FROM_STOCK) return 'from the drawer';
  if (from === FROM_BUY) return 'to buy';
  return `out of ${adjusterName(from)}`;
}

function Fit({ job, after, acts }: StepProps & { acts: readonly ShimAct[] }) {
  return (
    <StepFrame job={job} after={after}>
      <Words as="heading">At this stop</Words>
      <Caution>
        Bar on a little past TDC before a bucket is pressed, so that the piston is out of the way.
        Never bar with a shim out.
      </Caution>
      <PressedPast job={job} />
      <Words>All out first, each measured: mark and micrometer can differ. Then in:</Words>
      <Stack>
        {acts.map(({ id, out, in: size }) => (
          <Act
            key={id}
            label={`${adjusterName(id)}: ${describeShim(out)} out, ${describeShim(size)} in`}
            onPress={() => job.act({ type: 'shim.fitted', adjuster: id, size })}
          />
        ))}
      </Stack>
      {acts.map((act) => (
        <Kept key={act.id} job={job} act={act} />
      ))}
      <Words as="note" color="secondInk">
        A stand-in only keeps the bucket from being barred empty; it comes out again.
      </Words>
    </StepFrame>
  );
}

/** The shim was to come out of a bucket that keeps it: without another one it cannot be set. */
function Kept({ job, act: { id, in: size } }: Pick<StepProps, 'job'> & { act: ShimAct }) {
  const by = job.state.shims?.keptBy[id];
  if (size === null || by === undefined) return null;
  return (
    <Stack>
      <Words as="strong" color="act" role="status">
        {formatLength(size)} was to come out of {adjusterName(by)}, which keeps it: take one from
        the drawer, or buy it.
      </Words>
      <CannotBeSet job={job} id={id} />
    </Stack>
  );
}

function CannotBeSet({ job, id }: Pick<StepProps, 'job'> & { id: string }) {
  return (
    <Act
      label={`${adjusterName(id)} cannot be set today`}
      onPress={() => job.act({ type: 'adjuster.unset', adjuster: id, reason: 'no-part' })}
    />
  );
}

const styles = StyleSheet.create({
  sum: { borderBottomWidth: 1, paddingVertical: space.small },
});
