import type { RockerColours } from '@longbar/core';
import type { Response } from 'express';
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

export type Paper = 'a4' | 'letter';

type Sheet = {
  title: string;
  /** What it is called where it is saved. */
  file: string;
  paper: Paper;
  margin: number;
  lying?: boolean;
};

/**
 * Begins a PDF that is sent as it is drawn. What draws it is read in with the first one: a start
 * would take a sixth longer by it, and most processes draw none.
 */
export async function sendPdf(response: Response, sheet: Sheet): Promise<Pdf> {
  const { title, file, paper, margin, lying = false } = sheet;
  const { default: PdfDocument } = await import('pdfkit');
  const pdf = new PdfDocument({
    size: paper === 'a4' ? 'A4' : 'LETTER',
    layout: lying ? 'landscape' : 'portrait',
    margin,
    info: { Title: title, Author: 'Long Bar' },
  });
  response.type('application/pdf');
  response.set('Content-Disposition', `inline; filename="${file}"`);
  pdf.pipe(response);
  return pdf;
}
