import { Field } from '../../ui/Field';
import { OneOf } from '../../ui/OneOf';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import { BladeSets } from './BladeSets';
import { DriftRules } from './DriftRules';
import { Shims } from './Shims';
import { ShopBasicsFields } from './ShopBasicsFields';
import type { ShopDraft } from './shopDraft';

const POLICIES = [
  ['leave-inside', 'Leave what is inside', 'Only what is outside its limits is set.'],
  ['reset-all', 'Reset all', 'Everything is brought to its target.'],
  ['loose-side', 'Loose side', 'The target blade must enter, the next must not.'],
] as const;

const ROUNDS = [
  ['first', 'First of each stop'],
  ['changed', 'What was changed'],
  ['all', 'All of them'],
] as const;

type Props = { draft: ShopDraft; onChange: (next: Partial<ShopDraft>) => void };

/** All that a shop rules, field by field. */
export function RulesFields({ draft, onChange }: Props) {
  return (
    <>
      <ShopBasicsFields basics={draft} onChange={onChange} />
      <Stack>
        <Words as="heading">How is it decided?</Words>
        <OneOf
          name="Policy"
          columns={1}
          options={POLICIES}
          chosen={draft.policy}
          onChoose={(policy) => onChange({ policy })}
        />
      </Stack>
      <Stack>
        <Words as="heading">Once round again, what is read?</Words>
        <OneOf
          name="Once round again"
          options={ROUNDS}
          chosen={draft.round}
          onChoose={(round) => onChange({ round })}
        />
      </Stack>
      <Stack>
        <Words as="heading">When is a check soon?</Words>
        <Field
          label="Hours before it is due"
          inputMode="decimal"
          value={draft.soonHours}
          onChange={(soonHours) => onChange({ soonHours })}
        />
        <Field
          label="Days before it is due"
          inputMode="decimal"
          value={draft.soonDays}
          onChange={(soonDays) => onChange({ soonDays })}
        />
      </Stack>
      <Stack>
        <Words as="heading">How much work does a week take?</Words>
        <Field
          label="Hours of checks a week"
          inputMode="decimal"
          value={draft.weekHours}
          onChange={(weekHours) => onChange({ weekHours })}
        />
        <Words as="note" color="secondInk">
          Empty: no limit.
        </Words>
      </Stack>
      <DriftRules draft={draft} onChange={onChange} />
      <BladeSets sets={draft.bladeSets} onChange={(bladeSets) => onChange({ bladeSets })} />
      <Shims draft={draft} onChange={onChange} />
    </>
  );
}
