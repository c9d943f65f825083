/** The kinds of adjusters, in the order in which they are worked at one stop. */
export const KIND_NAMES = ['bridge', 'injector', 'intake', 'exhaust', 'brake'] as const;
export type AdjusterKind = (typeof KIND_NAMES)[number];

/** What is to be known of a kind besides its name. */
type Kind = {
  /** The two or three letters that there is room for on a drawing. */
  letters: string;
  /** The letter that spells it in a bank's row of valves, where it stands in the row. */
  spelled?: string;
  /** Whether its rocker is loose off its lobe and firm on it: only such tell the crank. */
  telling?: true;
  /** Where it is set when the sheet does not say; nothing else may be taken for granted. */
  place?: 'base';
  /** A four-stroke's typical lobe, used where a sheet gives none, and shown as assumed. */
  typical?: { opens: number; closes: number };
};

/** One line for each kind of adjuster. */
export const KINDS: Record<AdjusterKind, Kind> = {
  bridge: { letters: 'bd' },
  injector: { letters: 'inj', spelled: 'J', typical: { opens: 650, closes: 1020 } },
  intake: {
    letters: 'in',
    spelled: 'I',
    telling: true,
    place: 'base',
    typical: { opens: 345, closes: 575 },
  },
  exhaust: {
    letters: 'ex',
    spelled: 'E',
    telling: true,
    place: 'base',
    typical: { opens: 130, closes: 375 },
  },
  brake: { letters: 'br' },
};

/** Whether a kind's rocker tells the crank by what it feels like. */
export function isTelling(kind: AdjusterKind): kind is 'intake' | 'exhaust' {
  return KINDS[kind].telling === true;
}

/** The kind that a letter of a bank's row of valves spells. */
export function kindSpelled(letter: string): AdjusterKind | undefined {
  return KIND_NAMES.find((kind) => KINDS[kind].spelled === letter);
}

/** An adjuster as its id names it; `n` counts several of its kind on one cylinder from 1. */
export type AdjusterName = { kind: AdjusterKind; cylinder: number; n?: number };

/** The id of an adjuster: `{ kind: 'exhaust', cylinder: 3 }` → "exhaust.3", the second "exhaust.3.2". */
export function adjusterId({ kind, cylinder, n }: AdjusterName): string {
  return n === undefined ? `${kind}.${cylinder}` : `${kind}.${cylinder}.${n}`;
}

/** What an adjuster's id looks like: one of the kinds, its cylinder, and which of several. */
export const ADJUSTER_ID = new RegExp(`^(${KIND_NAMES.join('|')})\\.(\\d{1,2})(?:\\.(\\d{1,2}))?$`);

/**
 * What an adjuster's id names; throws on what is none, which no schema lets through.
 *
 * @example readId('exhaust.3.2') // { kind: 'exhaust', cylinder: 3, n: 2 }
 */
export function readId(id: string): AdjusterName {
  const [, name, cylinder, n] = ADJUSTER_ID.exec(id) ?? [];
  const kind = KIND_NAMES.find((each) => each === name);
  if (!kind) throw new Error(`“${id}” is not the id of an adjuster.`);
  return { kind, cylinder: Number(cylinder), ...(n !== undefined && { n: Number(n) }) };
}
