import type PdfDocument from 'pdfkit';

/** A PDF that is being drawn. */
export type Pdf = InstanceType<typeof PdfDocument>;
