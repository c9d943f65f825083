import type { AimRule, BladeSet, Result, RoundRule, Shop, ShopPolicy, Units } from '@longbar/core';
import {
  formatMillimetres,
  isRefused,
  issuesOf,
  readNumber,
  ShopSchema,
  USUAL_RISK,
  USUAL_UNITS,
} from '@longbar/core';
import * as v from 'valibot';
import { bladesTyped, bladesWritten, shimsTyped, shimsWritten } from './typedSizes';

export type SetDraft = { name: string; unit: BladeSet['unit']; forked: boolean; blades: string };

/** What a shop says of itself. */
export type ShopBasics = { name: string; address: string; units: Units; timeZone: string };

/** What stands of it, or what this phone would guess. */
export function basicsOf({ name, address = '', units, timeZone }: Shop): ShopBasics {
  return { name, address, units: units ?? USUAL_UNITS, timeZone: timeZone ?? ownTimeZone() };
}

function ownTimeZone(): string {
  return Intl.DateTimeFormat().resolvedOptions().timeZone;
}

/** The shop's rules as they stand in the fields. */
export type ShopDraft = ShopBasics & {
  policy: ShopPolicy;
  round: RoundRule;
  soonHours: string;
  soonDays: string;
  /** Empty where weeks are planned without a limit. */
  weekHours: string;
  driftRisk: string;
  aim: AimRule;
  bladeSets: SetDraft[];
  stock: string;
  buyFrom: string;
  buyTo: string;
  buyStep: string;
};

export function draftOf(shop: Shop): ShopDraft {
  const { buy, stock = [] } = shop.shims ?? {};
  const size = (figure: number | undefined) =>
    figure === undefined ? '' : formatMillimetres(figure);
  return {
    ...basicsOf(shop),
    policy: shop.policy,
    round: shop.round ?? 'first',
    soonHours: String(shop.soon?.hours ?? 50),
    soonDays: String(shop.soon?.days ?? 30),
    weekHours: shop.weekHours === undefined ? '' : String(shop.weekHours),
    driftRisk: String(shop.driftRisk ?? USUAL_RISK),
    aim: shop.aim ?? 'off',
    bladeSets: shop.bladeSets.map((set) => ({
      name: set.name,
      unit: set.unit,
      forked: set.forked ?? false,
      blades: bladesWritten(set),
    })),
    stock: shimsWritten(stock),
    buyFrom: size(buy?.from),
    buyTo: size(buy?.to),
    buyStep: size(buy?.step),
  };
}

type Made = Result<{ shop: Shop }>;

/** The rules the fields make, or the first thing that is wrong with them. */
export function shopFrom(draft: ShopDraft): Made {
  const sets: BladeSet[] = [];
  for (const { name, unit, forked, blades } of draft.bladeSets) {
    const typed = bladesTyped(blades, unit);
    if (isRefused(typed)) return { ...typed, says: `${name || 'A blade set'}: ${typed.says}` };
    sets.push({ name: name.trim(), unit, blades: typed.value, ...(forked && { forked }) });
  }
  const stock = shimsTyped(draft.stock);
  if (isRefused(stock)) return stock;
  const [from, to, step] = [draft.buyFrom, draft.buyTo, draft.buyStep].map(micrometres);
  const buys = [from, to, step].every((figure) => figure !== undefined && figure > 0);
  if (!buys && stock.value.length > 0) {
    return { refused: 'empty', says: 'Say which shims can be bought: from, to and step, in mm.' };
  }
  const soon = {
    hours: readNumber(draft.soonHours, { groups: true }) ?? NaN,
    days: figureOf(draft.soonDays),
  };
  if (!(soon.hours >= 0 && soon.days >= 0)) {
    return { refused: 'unreadable', says: 'Soon is a number of hours and a number of days.' };
  }
  const weekHours = draft.weekHours.trim() === '' ? undefined : figureOf(draft.weekHours);
  const driftRisk = figureOf(draft.driftRisk);
  if (!(Number.isInteger(driftRisk) && driftRisk >= 1 && driftRisk <= 50)) {
    return { refused: 'unreadable', says: 'The risk is a whole number of per cent, from 1 to 50.' };
  }
  const made = {
    name: draft.name,
    ...(draft.address.trim() && { address: draft.address }),
    units: draft.units,
    timeZone: draft.timeZone,
    policy: draft.policy,
    round: draft.round,
    bladeSets: sets,
    soon,
    ...(weekHours !== undefined && { weekHours }),
    driftRisk,
    aim: draft.aim,
    ...(buys && { shims: { stock: stock.value, buy: { from, to, step } } }),
  };
  const checked = v.safeParse(ShopSchema, made);
  if (checked.success) return { shop: checked.output };
  const [first] = issuesOf(checked.issues);
  return { refused: 'malformed', says: first?.message ?? 'Something is missing.' };
}

function figureOf(text: string): number {
  return readNumber(text) ?? NaN;
}

function micrometres(text: string): number | undefined {
  const figure = figureOf(text);
  return Number.isFinite(figure) ? Math.round(figure * 1000) : undefined;
}
