import type { BarringMethod, BarringPlan, EngineSheet, Refused } from '@longbar/core';
import {
  BARRING_METHODS,
  isRefused,
  planBarring,
  METHOD_TITLES,
  METHOD_WORDS,
} from '@longbar/core';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { Act } from '../../ui/Act';
import { OneOf } from '../../ui/OneOf';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import { PlanComparison } from './PlanComparison';
import { PlanStops } from './PlanStops';
import { ToolSums } from './ToolSums';

type Props = {
  sheet: EngineSheet;
  method: BarringMethod;
  plan: BarringPlan | Refused;
  onMethod: (method: BarringMethod) => void;
  onTurn: (at: number) => void;
  /** The methods there are to choose from. */
  methods?: readonly BarringMethod[];
};

/** The stops by one method of the work, and all methods beside each other. */
export function PlanView(props: Props) {
  const { sheet, method, plan, onMethod, onTurn, methods = BARRING_METHODS } = props;
  const router = useRouter();
  const [comparing, setComparing] = useState(false);
  const answers = useMemo(
    () =>
      methods.map((each) => ({
        method: each,
        answer: planBarring(sheet, { method: each }),
      })),
    [sheet, methods],
  );
  return (
    <Stack>
      <Words as="heading">Where to stop</Words>
      <OneOf
        name="Method"
        columns={2}
        options={answers.map(({ method: each }) => [each, METHOD_TITLES[each]] as const)}
        chosen={method}
        onChoose={onMethod}
      />
      <Words color="secondInk">{METHOD_WORDS[method]}</Words>
      {sheet.cycle === 4 && (
        <Act
          label="Why it works: an engine to turn by hand"
          onPress={() => router.push(`/bench/why?order=${sheet.firing.order.join('-')}`)}
        />
      )}
      {isRefused(plan) ? (
        <Words as="strong" color="stop" role="alert">
          {plan.says}
        </Words>
      ) : (
        <PlanStops plan={plan} onTurn={onTurn} />
      )}
      <Act
        label={comparing ? 'Hide the comparison' : 'Compare the methods'}
        onPress={() => setComparing(!comparing)}
      />
      {comparing && <PlanComparison answers={answers} chosen={method} />}
      {!isRefused(plan) && <ToolSums sheet={sheet} plan={plan} />}
    </Stack>
  );
}
