/** The colours of day and night. Each name says what it is for, not how it looks. */
export type Tokens = {
  ground: string;
  sheet: string;
  ink: string;
  secondInk: string;
  line: string;
  hair: string;
  /** The house colour, and its tint for what is known and calm. */
  enamel: string;
  enamelTint: string;
  /** Text and lines in the house colour, legible on ground and sheet. */
  enamelInk: string;
  /** Text on enamel. */
  onEnamel: string;
  /** Do this now. */
  act: string;
  actTint: string;
  onAct: string;
  /** Stop, danger, outside limits. */
  stop: string;
  onStop: string;
  /** The paint-pen dab: finished. */
  dab: string;
  /** A rocker pushed down on its lobe. */
  shade: string;
};

export const day: Tokens = {
  ground: '#EDE8DC',
  sheet: '#FAF7F0',
  ink: '#1B2427',
  secondInk: '#4F595B',
  line: '#C8C0AE',
  hair: '#DDD6C6',
  enamel: '#17464C',
  enamelTint: '#D7E4DF',
  enamelInk: '#17464C',
  onEnamel: '#FAF7F0',
  act: '#B0440A',
  actTint: '#F6DFCB',
  onAct: '#FFFFFF',
  stop: '#9C1C2B',
  onStop: '#FFFFFF',
  dab: '#E2A400',
  shade: '#DAD3C4',
};

export const night: Tokens = {
  ground: '#101618',
  sheet: '#192124',
  ink: '#ECE6D6',
  secondInk: '#A9B3B1',
  line: '#4A585B',
  hair: '#2A3538',
  enamel: '#0C2E33',
  enamelTint: '#1F3A3C',
  enamelInk: '#6FB5AA',
  onEnamel: '#ECE6D6',
  act: '#F08A3C',
  actTint: '#4A2C17',
  onAct: '#14100B',
  stop: '#FF8A8A',
  onStop: '#1A0D0D',
  dab: '#F4C233',
  shade: '#2E3A3D',
};

export const space = { hair: 4, small: 8, medium: 12, large: 20, huge: 32 } as const;
export const radius = 12;
/** Touch targets: the least, and the primary ones under the thumb. */
export const target = { least: 56, primary: 64 } as const;
/** Above this width the layout has columns. */
export const WIDE = 1000;
/** Below this height, as in a phone's browser with its bars, what is tapped comes before pictures. */
export const SHORT = 720;
