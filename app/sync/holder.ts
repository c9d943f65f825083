import type { Me } from '@longbar/core';
import { isAtLeast } from '@longbar/core';
import type { PhoneDatabase } from '../phone/phoneDatabase';
import { preferencesChanged } from '../state/preferences';
import type { AppStore } from '../state/store';

/**
 * Notes whose phone this is; who works with it where it has forgotten that, as a browser does with all
 * but the cookie after a week without a visit. Another person's signs by a key of its own; what only a higher role may
 * read is forgotten when the role falls. Jobs stay whoever holds it: a server that is put back may
 * need what this phone keeps of them.
 */
export async function heldBy(db: PhoneDatabase, store: AppStore, me: Me): Promise<void> {
  const { id, name, role, phone } = me;
  const { holder: before, name: worksAs } = store.getState().preferences;
  if (before && before.id !== id) await db.forgetHolder();
  if (before && before.id === id && before.phone !== phone) await db.unregisterKey();
  if (before && !isAtLeast(role, before.role)) await db.forgetAnswers();
  const isRenamed = before?.id === id && before.name !== name && worksAs === before.name;
  const isForgotten = worksAs === '';
  store.dispatch(
    preferencesChanged({
      holder: { id, name, role, phone },
      ...((isRenamed || isForgotten) && { name, names: [name] }),
    }),
  );
}
