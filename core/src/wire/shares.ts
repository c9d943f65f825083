import * as v from 'valibot';

/** How long a link to a record may work, days. */
export const SHARE_DAYS = [7, 30, 90] as const;

/** A link to a record is asked for. */
export const SharePostSchema = v.object({
  days: v.picklist(SHARE_DAYS, 'A link works for 7, 30 or 90 days.'),
});
export type SharePost = v.InferOutput<typeof SharePostSchema>;

const share = { id: v.string(), by: v.string(), until: v.string() };

/** The links to a record that have not ended: by whom, and until when. */
export const SharesSchema = v.array(v.object(share));
export type Share = v.InferOutput<typeof SharesSchema>[number];

/** A link that was just made; its secret is told this once. */
export const NewShareSchema = v.object({ ...share, secret: v.string() });
export type NewShare = v.InferOutput<typeof NewShareSchema>;
