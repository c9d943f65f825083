import { isRefused } from '@longbar/core';
import type { Shop } from '@longbar/core';
import { useState } from 'react';
import { useChangeShopMutation } from '../../state/api';
import { refusalOf } from '../../state/refusal';
import { Act } from '../../ui/Act';
import { Stack } from '../../ui/Panel';
import { ReadOnly } from '../../ui/readOnly';
import { Words } from '../../ui/Words';
import { RulesFields } from './RulesFields';
import type { ShopDraft } from './shopDraft';
import { draftOf, shopFrom } from './shopDraft';

/** The shop's rules, for a foreman to change; a job under way keeps those it began with. */
export function ShopRules({ shop, mayChange }: { shop: Shop; mayChange: boolean }) {
  const [draft, setDraft] = useState<ShopDraft>(() => draftOf(shop));
  const [save, { isLoading, isSuccess, error }] = useChangeShopMutation();
  const change = (next: Partial<ShopDraft>) => setDraft({ ...draft, ...next });
  const made = shopFrom(draft);
  return (
    <Stack gap={20}>
      {!mayChange && <Words as="strong">A foreman changes the shop’s rules.</Words>}
      <ReadOnly when={!mayChange}>
        <RulesFields draft={draft} onChange={change} />
      </ReadOnly>
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
      {mayChange && (
        <Act
          weight="primary"
          label={isLoading ? 'Saving …' : 'Save'}
          disabled={isLoading || isRefused(made)}
          onPress={() => {
            if (!isRefused(made)) void save(made.shop);
          }}
        />
      )}
    </Stack>
  );
}
