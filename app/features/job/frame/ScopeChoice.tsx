import type { AdjusterKind, JobScope } from '@longbar/core';
import {
  isSameScope,
  mayChooseScope,
  notSetSinceHeadWork,
  openWork,
  scopeWords,
} from '@longbar/core';
import { Caution } from '../../../ui/Caution';
import { Choice } from '../../../ui/Choice';
import { Fold } from '../../../ui/Fold';
import { OneOf } from '../../../ui/OneOf';
import { Row, Stack } from '../../../ui/Panel';
import { Words } from '../../../ui/Words';
import { FINISHED_FIRST } from './finishedFirst';
import type { WorkingJob } from '../model/workingJob';

/** What is set in one go; a bridge is levelled for the sake of its valves. */
const GROUPS: { label: string; kinds: readonly AdjusterKind[] }[] = [
  { label: 'Valves', kinds: ['bridge', 'intake', 'exhaust'] },
  { label: 'Injectors', kinds: ['injector'] },
  { label: 'Brakes', kinds: ['brake'] },
];

type Props = {
  job: WorkingJob;
  /** Why it is opened, where that is not recorded yet. */
  why?: { reason: string } | undefined;
};

/** What the job is about, folded to one line: all of the engine or some kinds, set or checked. */
export function ScopeChoice({ job, why = job.state.why }: Props) {
  return (
    <Fold title="What is done today" holds={scopeWords(job.state.scope)}>
      <Choices job={job} why={why} />
    </Fold>
  );
}

const DONE = [
  ['set', 'Check and set'],
  ['check', 'Check only'],
] as const;

function Choices({ job, why }: Props) {
  const { scope } = job.state;
  const { adjusters } = job.setting.sheet;
  const has = (kind: AdjusterKind) => adjusters.some((entry) => entry.kind === kind);
  const groups = GROUPS.filter(({ kinds }) => kinds.some(has));
  const chosen = groups.filter(
    ({ kinds }) => scope?.kinds?.some((kind) => kinds.includes(kind)) ?? true,
  );
  const choose = (wanted: typeof groups, checkOnly: boolean) => {
    if (wanted.length === 0) return;
    const kinds = wanted.flatMap((group) => group.kinds.filter(has));
    const told: JobScope = {
      ...(wanted.length < groups.length && { kinds }),
      ...(checkOnly && { checkOnly }),
    };
    // Another scope has the stops planned anew: the same is no choice.
    if (!isSameScope(scope, told)) job.act({ type: 'scope.chosen', ...told });
  };
  if (!mayChooseScope(job.state)) {
    const until = openWork(job.state);
    return (
      <Words color="secondInk">
        {scopeWords(scope)}.{until && ` It can be changed once ${FINISHED_FIRST[until]}.`}
      </Words>
    );
  }
  const checkOnly = scope?.checkOnly === true;
  const off = notSetSinceHeadWork(job.setting.sheet, { why, scope });
  const toggled = (group: (typeof groups)[number]) =>
    groups.filter((each) => (each === group) !== chosen.includes(each));
  return (
    <Stack gap={8}>
      {groups.length > 1 && (
        <Row>
          {groups.map((group) => (
            <Choice
              key={group.label}
              label={group.label}
              several
              chosen={chosen.includes(group)}
              onPress={() => choose(toggled(group), checkOnly)}
            />
          ))}
        </Row>
      )}
      <OneOf
        name="What is done with them"
        options={DONE}
        chosen={checkOnly ? 'check' : 'set'}
        onChoose={(done) => choose(chosen, done === 'check')}
      />
      <Words as="note" color="secondInk">
        {noteOf(scope)}
      </Words>
      {off && (
        <Caution>
          {`After head work the ${off} are off, too, and this job does not set them: see that somebody does before the engine runs.`}
        </Caution>
      )}
    </Stack>
  );
}

function noteOf(scope: JobScope | undefined): string {
  const rest = scope?.kinds ? ' What is left out is named in the record and stays due.' : '';
  const outside = scope?.checkOnly ? ' With anything outside its limits the check stays due.' : '';
  return `${scopeWords(scope)}.${rest}${outside}`;
}
