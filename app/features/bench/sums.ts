/** One sum: its name in an address, what it is called, what it answers. */
export type Sum = { id: SumId; title: string; detail: string };

/** The sums of the trade, the most asked for first. */
export const SUMS = [
  { id: 'blades', title: 'Blades for a gap', detail: 'Which blades of the set make it' },
  { id: 'set', title: 'What this set can decide', detail: 'Limits that fall between blades' },
  { id: 'length', title: 'Millimetres and thou', detail: 'And what is taken for what' },
  { id: 'screw', title: 'Turn of the screw', detail: 'For a change of the gap, on a clock face' },
  {
    id: 'adapter',
    title: 'Torque with an adapter',
    detail: 'What the wrench is set to, at any angle',
  },
  { id: 'torque', title: 'Units of torque', detail: 'N·m, lb·ft and lb·in' },
  { id: 'bar', title: 'Degrees at the pulley', detail: 'As arc along the rim, turns and clicks' },
  { id: 'shims', title: 'Shims', detail: 'For one bucket or for a head' },
  { id: 'hours', title: 'Hours to a date', detail: 'When the meter will show them' },
] as const satisfies readonly { id: string; title: string; detail: string }[];

export type SumId = (typeof SUMS)[number]['id'];

/** The sum of a name in an address. */
export function sumOf(id: string): Sum | undefined {
  return SUMS.find((each) => each.id === id);
}
