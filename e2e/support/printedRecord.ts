import { extractText, getDocumentProxy } from 'unpdf';
import type { TestServer } from './server';

/** Words without their spaces, for a line of the page may end within a figure, and by plain letters. */
export const bare = (words: string) => words.normalize('NFKC').replace(/\s+/g, '');

/** How many pages the PDF of a job's record has, how many of them without a word, and its words, bare. */
export async function printedRecord(server: TestServer, job: string, paper = 'a4') {
  const pdf = await server.fetch(`/jobs/${job}/record.pdf?paper=${paper}`);
  const document = await getDocumentProxy(new Uint8Array(await pdf.arrayBuffer()));
  const { totalPages, text } = await extractText(document, { mergePages: false });
  const wordless = text.filter((page) => bare(page) === '').length;
  return { pages: totalPages, wordless, words: bare(text.join(' ')) };
}
