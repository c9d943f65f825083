import { request } from '../../api/request';
import { saveFile } from '../frame/saveFile';

/**
 * Saves sheets with their photos as one file of this name. Throws, with what the server said,
 * where it cannot be had.
 */
export async function saveSheets(name: string, ids: readonly string[]): Promise<void> {
  const query = ids.map((id) => `id=${encodeURIComponent(id)}`).join('&');
  const { ok, body } = await request(`/sheets/file?${query}`);
  if (!ok) throw new Error('The server did not give the sheets out. Try again.');
  saveFile(`${name.toLowerCase().replace(/\W+/g, '-')}.json`, body);
}
