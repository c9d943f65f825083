import type { Attachment } from '@longbar/core';
import { opensAgain } from '@longbar/core';
import { useState } from 'react';
import { Act } from '../../../ui/Act';
import { Caution } from '../../../ui/Caution';
import { Field } from '../../../ui/Field';
import { Stack } from '../../../ui/Panel';
import { Words } from '../../../ui/Words';
import { Attach } from '../frame/Attach';
import { Attachments } from '../../shared/Attachments';
import { StepFrame } from '../frame/StepFrame';
import type { StepProps } from '../model/stepProps';
import { OpensAgain } from './OpensAgain';

/** Open up: what came off and where it belongs, so that it comes back as a list to tick. */
export function OpenStep({ job, after }: StepProps) {
  const [what, setWhat] = useState('');
  const [from, setFrom] = useState('');
  const [attached, setAttached] = useState<Attachment[]>([]);
  const { noted } = job.state;
  const again = opensAgain(job.setting, job.state);
  const opened = job.state.opened !== undefined && !again;
  const note = () => {
    job.act({
      type: 'opening.noted',
      what: what.trim(),
      ...(from.trim() && { from: from.trim() }),
      ...(attached.length > 0 && { attachments: attached }),
    });
    setWhat('');
    setFrom('');
    setAttached([]);
  };
  return (
    <StepFrame
      job={job}
      after={after}
      act={{
        label: opened ? 'Covers are off' : 'Covers off, all noted',
        disabled: opened,
        onPress: () => job.act({ type: 'opening.done' }),
      }}
    >
      <Words as="heading">{again ? 'Open up again' : 'Open up'}</Words>
      <OpensAgain job={job} />
      <Caution>
        Hot metal and oil. Electronic injectors and brakes hold voltage: mind the leads.
      </Caution>
      <Words>
        Air filter, pipes, breather, wiring, covers. Cap open ports, keep dirt out, look at the
        gasket. Note each ground wire, clip and odd bolt: closing up asks for it.
      </Words>
      <Field label="What came off" value={what} onChange={setWhat} />
      <Field label="Where it belongs" value={from} onChange={setFrom} onSubmitEditing={note} />
      <Attach attached={attached} onAttach={setAttached} />
      <Act label="Note it" disabled={what.trim() === ''} onPress={note} />
      <Stack gap={4}>
        {noted.map((each) => (
          <Stack key={each.id} gap={4}>
            <Words>
              · {each.what}
              {each.from ? `, from ${each.from}` : ''}
            </Words>
            <Attachments attached={each.attachments} />
          </Stack>
        ))}
      </Stack>
    </StepFrame>
  );
}
