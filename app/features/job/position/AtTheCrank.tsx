import type { InstructionTo } from '@longbar/core';
import { WhereWasI } from '../frame/WhereWasI';
import type { StepProps } from '../model/stepProps';
import { AnotherMethod } from './AnotherMethod';
import { ByTheChart } from './ByTheChart';
import { Unserved } from './Unserved';
import { WhichWay } from './WhichWay';

type Props = StepProps & { instruction: InstructionTo<'answer'> };

/** What is asked about the crank and the plan before anything is barred or read. */
export function AtTheCrank({ instruction, job, after }: Props) {
  switch (instruction.ask) {
    case 'turned':
      return <WhereWasI {...{ job, after }} />;
    case 'rotation':
      return <WhichWay {...{ job, after }} />;
    case 'method':
      return <AnotherMethod {...{ job, after }} why={instruction.why.says} />;
    case 'unserved':
      return <Unserved {...{ job, after, instruction }} key={instruction.id} />;
    case 'chart':
      return <ByTheChart {...{ job, after, instruction }} key={instruction.id} />;
    default:
      return null;
  }
}
