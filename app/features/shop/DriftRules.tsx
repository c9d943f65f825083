import { Field } from '../../ui/Field';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import type { ShopDraft } from './shopDraft';

type Props = { draft: ShopDraft; onChange: (next: Partial<ShopDraft>) => void };

/** What the shop does with what is known of drift: when it looks. */
export function DriftRules({ draft, onChange }: Props) {
  return (
    <Stack>
      <Words as="heading">When does drift ask for a check?</Words>
      <Field
        label="Chance of any adjuster outside its limits, %"
        inputMode="numeric"
        value={draft.driftRisk}
        onChange={(driftRisk) => onChange({ driftRisk })}
      />
      <Words as="note" color="secondInk">
        The smaller, the earlier. The maker’s interval is never exceeded.
      </Words>
    </Stack>
  );
}
