import type { InstructionTo, Rotation } from '@longbar/core';
import { adjusterName, BARRING_METHODS, methodOf } from '@longbar/core';
import { useState } from 'react';
import { Act } from '../../../theme/Act';
import { Caution } from '../../../theme/Caution';
import { Choice } from '../../../theme/Choice';
import { Field } from '../../../theme/Field';
import { Row } from '../../../theme/Panel';
import { Tiles } from '../../../theme/Tiles';
import { Words } from '../../../theme/Words';
import { METHOD_TITLES } from '../../sheets/methodWords';
import { StepFrame } from '../frame/StepFrame';
import { WhereWasI } from '../frame/WhereWasI';
import type { StepProps } from '../model/stepProps';

type Props = StepProps & { instruction: InstructionTo<'answer'> };

/** What is asked about the crank and the plan before anything is barred or read. */
export function AtTheCrank({ instruction, ...props }: Props) {
  switch (instruction.ask) {
    case 'turned':
      return <WhereWasI job={props.job} after={props.after} />;
    case 'rotation':
      return <WhichWay {...props} />;
    case 'method':
      return <AnotherMethod {...props} refused={instruction.refused} />;
    case 'unserved':
      return (
        <Unserved {...props} id={instruction.id} figure={instruction.figure} key={instruction.id} />
      );
    default:
      return null;
  }
}

const SENSES = ['clockwise', 'counterclockwise'] as const;
const SEEN_FROM = ['front', 'rear', 'flywheel'] as const;

/** The sheet does not say which way the engine turns: a person who knows does. */
function WhichWay({ job, after }: StepProps) {
  const [sense, setSense] = useState<Rotation['sense']>();
  const [seenFrom, setSeenFrom] = useState<(typeof SEEN_FROM)[number]>('front');
  return (
    <StepFrame
      job={job}
      after={after}
      act={{
        label: sense ? `It turns ${sense}, seen from the ${seenFrom}` : 'Say which way it turns',
        disabled: !sense,
        onPress: () => sense && job.act({ type: 'rotation.stated', sense, seenFrom }),
      }}
    >
      <Words as="title">Which way does it turn?</Words>
      <Words>
        The sheet does not say. Look it up in the manual, or at an arrow cast on the engine: barring
        the wrong way leaves the backlash in the gears, and can break what only turns one way.
      </Words>
      <Row>
        {SENSES.map((each) => (
          <Choice key={each} label={each} chosen={sense === each} onPress={() => setSense(each)} />
        ))}
      </Row>
      <Words as="strong">Seen from the</Words>
      <Row>
        {SEEN_FROM.map((each) => (
          <Choice
            key={each}
            label={each}
            chosen={seenFrom === each}
            onPress={() => setSeenFrom(each)}
          />
        ))}
      </Row>
    </StepFrame>
  );
}

/** The method of the job cannot be done on this engine: another is chosen. */
function AnotherMethod({ job, after, refused }: StepProps & { refused: string }) {
  const present = methodOf(job.setting, job.state);
  return (
    <StepFrame job={job} after={after}>
      <Words as="title">Choose another method</Words>
      <Words as="strong" color="stop">
        {refused}
      </Words>
      <Tiles columns={2}>
        {BARRING_METHODS.filter((method) => method !== present).map((method) => (
          <Choice
            key={method}
            label={METHOD_TITLES[method]}
            chosen={false}
            onPress={() => job.act({ type: 'method.changed', method })}
          />
        ))}
      </Tiles>
    </StepFrame>
  );
}

/** No stop serves it, or it has no figure: it stays unset, or a person states its place. */
function Unserved({ job, after, id, figure }: StepProps & { id: string; figure: boolean }) {
  const [placing, setPlacing] = useState(false);
  const [reason, setReason] = useState('');
  const name = adjusterName(id);
  return (
    <StepFrame
      job={job}
      after={after}
      act={{
        weight: 'stop',
        label: `${name} stays unset today`,
        onPress: () => job.act({ type: 'adjuster.unset', adjuster: id, reason: 'no-place' }),
      }}
    >
      <Words as="title">{name}</Words>
      <Words as="strong">
        {figure
          ? 'No stop of this plan serves it: no mark and no valve’s lowest point tells where it may be set.'
          : 'The sheet holds no figure to set it to.'}
      </Words>
      <Words>
        It can stay unset: the job is then closed as incomplete, and it stays due. Or a person who
        has the manual at hand sets it, and says where and why.
      </Words>
      {figure && !placing && <Act label="Set it by the manual" onPress={() => setPlacing(true)} />}
      {placing && (
        <>
          <Caution>
            Long Bar cannot tell that this valve is off its lobe. The record says that you placed
            it.
          </Caution>
          <Field label="Where the manual says, and its page" value={reason} onChange={setReason} />
          <Act
            label={`Record and set ${name}`}
            disabled={reason.trim() === ''}
            onPress={() =>
              job.act({ type: 'adjuster.placed', adjuster: id, reason: reason.trim() })
            }
          />
        </>
      )}
    </StepFrame>
  );
}
