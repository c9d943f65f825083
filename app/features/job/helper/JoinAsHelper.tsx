import { useState } from 'react';
import { useBeginHelpingMutation } from '../../../state/api';
import { refusalOf } from '../../../state/refusal';
import { Act } from '../../../ui/Act';
import { Words } from '../../../ui/Words';
import { PairingCode } from '../../people/PairingCode';

/** Somebody joins this job as its helper: their phone's camera looks at a code, and they say who they are. */
export function JoinAsHelper({ job }: { job: string }) {
  const [begin, { data, isLoading, error }] = useBeginHelpingMutation();
  const [shown, setShown] = useState(false);
  const show = async () => {
    await begin(job);
    setShown(true);
  };
  return (
    <>
      <Act
        label="A helper joins: show a code for their phone"
        icon="add"
        disabled={isLoading}
        onPress={() => void show()}
      />
      {error && (
        <Words color="stop" role="alert">
          {refusalOf(error).message}
        </Words>
      )}
      {data && shown && (
        <PairingCode
          pairing={data}
          whose="the helper"
          query={`?job=${job}`}
          onDone={() => setShown(false)}
        />
      )}
    </>
  );
}
