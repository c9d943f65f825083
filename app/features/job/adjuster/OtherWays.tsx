import type { JobAct, LookedInto, UnsetReason } from '@longbar/core';
import { UNSET_REASONS } from '@longbar/core';
import { memo, useState } from 'react';
import { Act } from '../../../ui/Act';
import { OneOf } from '../../../ui/OneOf';
import { Row, Stack } from '../../../ui/Panel';
import { Words } from '../../../ui/Words';
import { saidOf, WhatWasSeen } from './WhatWasSeen';

type Props = {
  id: string;
  /** Whether it may still be doubted, or given up. */
  mayDoubt: boolean;
  mayGiveUp: boolean;
  act: (act: JobAct) => void;
};

const REASONS: Record<UnsetReason, string> = {
  seized: 'Seized or rounded',
  'no-part': 'Part on order',
  'no-reach': 'Out of reach',
  'no-place': 'No place known for it',
  other: 'Another reason',
};

/** The honest ends: read it again on the round, or it cannot be set today and why. */
export const OtherWays = memo(function OtherWays({ id, mayDoubt, mayGiveUp, act }: Props) {
  const [open, setOpen] = useState(false);
  const [reason, setReason] = useState<UnsetReason>();
  const [seen, setSeen] = useState<LookedInto>({});
  const needsWords = reason === 'other' && !saidOf(seen).note;
  const giveUp = () => {
    if (!reason || needsWords) return;
    act({ type: 'adjuster.unset', adjuster: id, reason, ...saidOf(seen) });
    setOpen(false);
  };
  if (!mayDoubt && !mayGiveUp) return null;
  return (
    <Stack>
      <Row>
        {mayDoubt && (
          <Act
            label="Doubt this one"
            name="Doubt this one: read it again on the round"
            style={{ flex: 1 }}
            onPress={() => act({ type: 'adjuster.doubted', adjuster: id })}
          />
        )}
        {mayGiveUp && (
          <Act label="Cannot be set" style={{ flex: 1 }} onPress={() => setOpen(!open)} />
        )}
      </Row>
      {open && (
        <Stack>
          <Words as="strong">Why can it not be set today?</Words>
          <OneOf
            name="Why can it not be set today?"
            columns={2}
            options={UNSET_REASONS.map((each) => [each, REASONS[each]] as const)}
            chosen={reason}
            onChoose={setReason}
          />
          <WhatWasSeen label="In a few words" seen={seen} onChange={setSeen} />
          <Act
            weight="stop"
            label="Record that it cannot be set"
            disabled={!reason || needsWords}
            onPress={giveUp}
          />
          <Words as="note" color="secondInk">
            The job can then only be closed as incomplete, and stays due. With its nut loose, or
            without its shim, the engine is not run unless it is said that it may.
          </Words>
        </Stack>
      )}
    </Stack>
  );
});
