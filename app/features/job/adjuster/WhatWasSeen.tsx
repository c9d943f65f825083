import type { LookedInto } from '@longbar/core';
import { Act } from '../../../ui/Act';
import { Field } from '../../../ui/Field';
import { Attach } from '../frame/Attach';
import { YesNo } from '../frame/YesNo';

type Props = { label: string; seen: LookedInto; onChange: (seen: LookedInto) => void };

/** What somebody saw of a thing that is wrong: words, photos, and whether it may be run so. */
export function WhatWasSeen({ label, seen, onChange }: Props) {
  return (
    <>
      <Field
        label={label}
        value={seen.note ?? ''}
        onChange={(note) => onChange({ ...seen, note })}
        multiline
      />
      <Attach
        attached={seen.attachments ?? []}
        onAttach={(attachments) => onChange({ ...seen, attachments })}
      />
      <YesNo
        question="May the engine be run like this?"
        value={seen.mayRun}
        onChange={(mayRun) => onChange({ ...seen, mayRun })}
        yes="It may be run"
        no="Not to be run"
      />
    </>
  );
}

/** Where a tap says that it is so, and more may be said with it. */
export function SeenToo({
  seen,
  onSee,
}: {
  seen: LookedInto | undefined;
  onSee: (seen: LookedInto) => void;
}) {
  if (seen) return <WhatWasSeen label="What was seen" seen={seen} onChange={onSee} />;
  return <Act label="Add words or a photo; may it be run?" onPress={() => onSee({})} />;
}

/** The same for the journal: what was not said is left out. */
export function saidOf({ note = '', attachments = [], mayRun }: LookedInto): LookedInto {
  return {
    ...(note.trim() && { note: note.trim() }),
    ...(attachments.length > 0 && { attachments }),
    ...(mayRun !== undefined && { mayRun }),
  };
}
