import { Field } from '../../ui/Field';
import { OneOf } from '../../ui/OneOf';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import type { ShopDraft } from './shopDraft';

const AIMS = [
  ['off', 'Off', 'Every one is brought to the maker’s target.'],
  ['offered', 'Offered', 'The job says what would last longest; whoever sets it decides.'],
  ['on', 'On', 'It is set where it stays inside longest, unless somebody takes the target.'],
] as const;

type Props = { draft: ShopDraft; onChange: (next: Partial<ShopDraft>) => void };

/** What the shop does with what is known of drift: when it looks, and where it sets. */
export function DriftRules({ draft, onChange }: Props) {
  return (
    <>
      <Stack>
        <Words as="heading">When does drift ask for a check?</Words>
        <Field
          label="Chance that one is outside, %"
          inputMode="numeric"
          value={draft.driftRisk}
          onChange={(driftRisk) => onChange({ driftRisk })}
        />
        <Words as="note" color="secondInk">
          Of all adjusters of an engine, any outside its limits. The smaller, the earlier; the
          maker’s interval is never exceeded.
        </Words>
      </Stack>
      <Stack>
        <Words as="heading">What if an adjuster drifts one way?</Words>
        <OneOf
          name="Aim"
          columns={1}
          options={AIMS}
          chosen={draft.aim}
          onChoose={(aim) => onChange({ aim })}
        />
        <Words as="note" color="secondInk">
          Always inside the maker’s limits. Where the manual forbids it, leave this off.
        </Words>
      </Stack>
    </>
  );
}
