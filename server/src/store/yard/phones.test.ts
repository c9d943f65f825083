import * as v from 'valibot';
import { startTestServer } from '../../../test-support/testServer';
import { noteSeen } from './phones';

describe('that a phone was here', () => {
  it('is written down once of many questions asked at once, and again an hour later', async () => {
    const server = await startTestServer();
    const { db } = server;
    const [phone] = await db.whole.rows(v.object({ id: v.string() }), 'SELECT id FROM phones');
    const holder = { id: 'p', name: 'Ina', role: 'foreman' as const, phone: phone!.id };
    const seenAt = async () =>
      (
        await db.whole.rows(
          v.object({ seenAt: v.nullable(v.string()) }),
          'SELECT seenAt FROM phones WHERE id = $1',
          [holder.phone],
        )
      )[0]?.seenAt ?? null;
    const first = new Date('2030-05-02T08:00:00.000Z');
    const before = db.writes();
    const many = Array.from({ length: 20 }, () => noteSeen(db, { ...holder, seenAt: null }, first));
    await Promise.all(many);
    expect(db.writes()).toBe(before + 1);
    expect(await seenAt()).toBe(first.toISOString());

    await noteSeen(db, { ...holder, seenAt: await seenAt() }, first);
    expect(db.writes()).toBe(before + 1);
    const later = new Date('2030-05-02T09:00:00.000Z');
    await noteSeen(db, { ...holder, seenAt: await seenAt() }, later);
    expect(await seenAt()).toBe(later.toISOString());
    await server.close();
  });
});
