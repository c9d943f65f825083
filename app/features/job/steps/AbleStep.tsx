import { formatInstant, isolationsOf, mayRestore } from '@longbar/core';
import { Caution } from '../../../ui/Caution';
import { TickRow } from '../../../ui/TickRow';
import { Words } from '../../../ui/Words';
import { StepFrame } from '../frame/StepFrame';
import { ClearRow } from '../locks/ClearRow';
import type { StepProps } from '../model/stepProps';

/** Able to start again: bar and pins out first, everyone clear, then every isolation undone. */
export function AbleStep({ job, after }: StepProps) {
  const { barOut, isolations, undone, toolsCounted } = job.state;
  if (!barOut) {
    return (
      <StepFrame
        job={job}
        after={after}
        act={{
          weight: 'stop',
          label: 'Bar and pins are out of the engine',
          onPress: () => job.act({ type: 'bar.out' }),
        }}
      >
        <Words as="title">Bar out first</Words>
        <Caution>
          A bar or pin left on the crank is thrown when the engine turns. Take it in your hand
          before you tap below.
        </Caution>
        <Words>Nothing else is offered until it is out.</Words>
      </StepFrame>
    );
  }
  const { people } = job.state;
  const allClear = mayRestore(job.state);
  return (
    <StepFrame job={job} after={after}>
      <Words as="heading">Make it able to start</Words>
      <Caution>
        Everyone says clear and takes their own lock off. Nobody at the rocker gear.
      </Caution>
      {people.map((person) => (
        <ClearRow key={person} job={job} person={person} />
      ))}
      <TickRow
        text={toolsText(job.setting.sheet.tools)}
        done={toolsCounted !== undefined}
        {...(toolsCounted && { note: `${toolsCounted.by}, ${formatInstant(toolsCounted.at)}` })}
        onPress={() => job.act({ type: 'tools.counted' })}
      />
      {!allClear && (
        <Words color="secondInk">Isolations come off when all are clear and tools are back.</Words>
      )}
      {allClear &&
        isolationsOf(job.setting.sheet)
          .filter(({ id }) => isolations[id]?.exempt === undefined)
          .map(({ id, undo }) => {
            const done = undone[id];
            return (
              <TickRow
                key={id}
                text={undo}
                done={done !== undefined}
                {...(done && { note: `${done.by}, ${formatInstant(done.at)}` })}
                onPress={() => job.act({ type: 'isolation.undone', isolation: id })}
              />
            );
          })}
    </StepFrame>
  );
}

function toolsText(tools: readonly string[] | undefined): string {
  return tools?.length ? `Tools counted back: ${tools.join(', ')}` : 'Tools counted back';
}
