import { isRefused } from '@longbar/core';
import type { Shop } from '@longbar/core';
import { useState } from 'react';
import { View } from 'react-native';
import { useChangeShopMutation } from '../../state/api';
import { refusalOf } from '../../state/refusal';
import { Act } from '../../ui/Act';
import { Choice } from '../../ui/Choice';
import { Field } from '../../ui/Field';
import { Row, Stack } from '../../ui/Panel';
import { Tiles } from '../../ui/Tiles';
import { Words } from '../../ui/Words';
import { BladeSets } from './BladeSets';
import { DriftRules } from './DriftRules';
import { Shims } from './Shims';
import { ShopBasicsFields } from './ShopBasicsFields';
import type { ShopDraft } from './shopDraft';
import { draftOf, shopFrom } from './shopDraft';

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

/** The shop's rules to change; a job under way keeps those it began with. */
export function ShopRules({ shop, mayChange }: { shop: Shop; mayChange: boolean }) {
  const [draft, setDraft] = useState<ShopDraft>(() => draftOf(shop));
  const [save, { isLoading, isSuccess, error }] = useChangeShopMutation();
  const change = (next: Partial<ShopDraft>) => setDraft({ ...draft, ...next });
  const made = shopFrom(draft);
  return (
    <Stack gap={20}>
      {/* Said before anything is typed that nobody could save. */}
      {!mayChange && <Words as="strong">A foreman changes the shop’s rules.</Words>}
      <ShopBasicsFields basics={draft} onChange={change} />
      <Stack>
        <Words as="heading">How is it decided?</Words>
        <View role="radiogroup" aria-label="Policy">
          <Tiles columns={1}>
            {POLICIES.map(([policy, label, detail]) => (
              <Choice
                key={policy}
                {...{ label, detail }}
                chosen={draft.policy === policy}
                onPress={() => change({ policy })}
              />
            ))}
          </Tiles>
        </View>
      </Stack>
      <Stack>
        <Words as="heading">Once round again, what is read?</Words>
        <Row>
          {ROUNDS.map(([round, label]) => (
            <Choice
              key={round}
              label={label}
              chosen={draft.round === round}
              onPress={() => change({ round })}
            />
          ))}
        </Row>
      </Stack>
      <Stack>
        <Words as="heading">When is a check soon?</Words>
        <Field
          label="Hours before it is due"
          inputMode="decimal"
          value={draft.soonHours}
          onChange={(soonHours) => change({ soonHours })}
        />
        <Field
          label="Days before it is due"
          inputMode="decimal"
          value={draft.soonDays}
          onChange={(soonDays) => change({ soonDays })}
        />
      </Stack>
      <Stack>
        <Words as="heading">How much work does a week take?</Words>
        <Field
          label="Hours of checks a week"
          inputMode="decimal"
          value={draft.weekHours}
          onChange={(weekHours) => change({ weekHours })}
        />
        <Words as="note" color="secondInk">
          Empty: no limit.
        </Words>
      </Stack>
      <DriftRules draft={draft} onChange={change} />
      <BladeSets sets={draft.bladeSets} onChange={(bladeSets) => change({ bladeSets })} />
      <Shims draft={draft} onChange={change} />
      {isRefused(made) && (
        <Words color="stop" role="alert">
          {made.says}
        </Words>
      )}
      {error && (
        <Words color="stop" role="alert">
          {refusalOf(error).message}
        </Words>
      )}
      {isSuccess && (
        <Words role="status">Saved. Jobs under way go on by the rules they began with.</Words>
      )}
      <Act
        weight="primary"
        label={isLoading ? 'Saving …' : 'Save'}
        disabled={isLoading || isRefused(made) || !mayChange}
        onPress={() => {
          if (!isRefused(made)) void save(made.shop);
        }}
      />
    </Stack>
  );
}
