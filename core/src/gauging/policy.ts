/** How a shop decides: leave what is inside, reset all, or aim at the loose side. */
export const POLICIES = ['leave-inside', 'reset-all', 'loose-side'] as const;
export type ShopPolicy = (typeof POLICIES)[number];
/** How one job decides: by the shop's rule, or by none where it only reads. */
export type JobPolicy = ShopPolicy | 'check-only';

/** Whether a shop sets an adjuster that drifts one way off its target: never, if asked, or always. */
export const AIM_RULES = ['off', 'offered', 'on'] as const;
export type AimRule = (typeof AIM_RULES)[number];
