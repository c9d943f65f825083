import { figuresOf, readyItems } from '@longbar/core';
import { OneOf } from '../../../ui/OneOf';
import { Stack } from '../../../ui/Panel';
import { TickRow } from '../../../ui/TickRow';
import { Words } from '../../../ui/Words';
import { ColdRest } from '../temperature/ColdRest';
import { HotRun } from '../temperature/HotRun';
import { tagWords } from '../../shared/tagWords';
import { StepFrame } from '../frame/StepFrame';
import { Reason } from '../frame/Reason';
import { TemperatureOtherwise } from '../temperature/TemperatureOtherwise';
import { JobHours } from './JobHours';
import { OpensAgain } from './OpensAgain';
import { BackToWork } from '../temperature/BackToWork';
import type { StepProps } from '../model/stepProps';

/** The data tag, the temperature, the hours now, and what is laid out before the work. */
export function ReadyStep({ job, after }: StepProps) {
  const { sheet } = job.setting;
  return (
    <StepFrame job={job} after={after}>
      <DataTag job={job} />
      {sheet.temperature?.state === 'hot' ? <HotRun job={job} /> : <ColdRest job={job} />}
      <TemperatureOtherwise job={job} />
      <BackToWork job={job} />
      <JobHours job={job} />
      {readyItems(sheet).map(({ id, text }) => {
        const done = job.state.ready[id];
        return (
          <TickRow
            key={id}
            text={text}
            done={done !== undefined}
            {...(done && { note: done.by })}
            onPress={() => job.act({ type: 'ready.done', item: id })}
          />
        );
      })}
    </StepFrame>
  );
}

/** The same engine differs by build: the tag is read, and its setting wins. */
function DataTag({ job }: Pick<StepProps, 'job'>) {
  const { sheet } = job.setting;
  const { variants } = sheet;
  const { tag } = job.state;
  if (!variants?.length) return null;
  const choices = [...variants.map((variant) => variant.tag), ''];
  return (
    <Stack>
      <Words as="heading">What does the data tag say?</Words>
      <OneOf
        name="What does the data tag say?"
        options={choices.map((each) => [each, each || 'None of these'] as const)}
        chosen={tag}
        onChoose={(each) =>
          job.act({ type: 'tag.read', tag: each, figures: figuresOf(sheet, each) })
        }
        columns="as fit"
      />
      {tag === '' && (
        <>
          <Words as="strong" color="act">
            Then the sheet may not be this engine’s. Look the tag up in the manual before anything
            is set; the sheet’s own figures are used here.
          </Words>
          <Reason
            label="Why these figures hold for it"
            given={job.state.tagReason}
            onGive={(reason) => job.act({ type: 'tag.read', tag: '', reason, figures: [] })}
          />
        </>
      )}
      {tag !== undefined && tag !== '' && (
        <Words as="note">By this tag: {tagWords(sheet, tag)}.</Words>
      )}
      <OpensAgain job={job} />
    </Stack>
  );
}
