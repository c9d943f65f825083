import type { RockerColours } from '@longbar/core';
import type PdfDocument from 'pdfkit';

/** A PDF that is being drawn. */
export type Pdf = InstanceType<typeof PdfDocument>;

/** The colours of a page that is printed. */
export const PAPER = {
  act: '#B0440A',
  actTint: '#F6DFCB',
  dab: '#E2A400',
  ink: '#1B2427',
  secondInk: '#4F595B',
  line: '#C8C0AE',
  shade: '#DAD3C4',
  sheet: '#FFFFFF',
  stop: '#9C1C2B',
} as const satisfies RockerColours & { secondInk: string };
