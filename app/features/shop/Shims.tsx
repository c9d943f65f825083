import { isRefused } from '@longbar/core';
import { Field } from '../../ui/Field';
import { Stack } from '../../ui/Panel';
import { Words } from '../../ui/Words';
import type { ShopDraft } from './shopDraft';
import { shimsTyped } from './typedSizes';

type Props = { draft: ShopDraft; onChange: (next: Partial<ShopDraft>) => void };

const BUY = [
  ['buyFrom', 'Can be bought from, mm'],
  ['buyTo', 'Can be bought up to, mm'],
  ['buyStep', 'In steps of, mm'],
] as const;

/** The shims in the drawer, and those that can be bought. */
export function Shims({ draft, onChange }: Props) {
  const typed = shimsTyped(draft.stock);
  return (
    <Stack>
      <Words as="heading">Shims</Words>
      <Field
        label="In the drawer, mm: 2.40x2 2.55x1"
        value={draft.stock}
        onChange={(stock) => onChange({ stock })}
        multiline
        error={isRefused(typed) ? typed.says : undefined}
      />
      {BUY.map(([key, label]) => (
        <Field
          key={key}
          label={label}
          inputMode="decimal"
          value={draft[key]}
          onChange={(text) => onChange({ [key]: text })}
        />
      ))}
    </Stack>
  );
}
