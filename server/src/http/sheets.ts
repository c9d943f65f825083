import { isRefused, parseSheet, PublishSchema, SheetPatchSchema } from '@longbar/core';
import { Router } from 'express';
import { RequestError } from '../requestError';
import type { Database } from '../store/sql/database';
import {
  listRevisions,
  listSheets,
  publishSheet,
  putBackRevision,
  readSheet,
  retireSheet,
  tellable,
} from '../store/yard/sheets';
import { sheetsFile } from '../store/exchange/sheetsFile';
import { checked } from './errors';
import { onlyUuid } from './ids';
import { RetiredSchema, SheetIdsSchema } from './queries';
import { noteOf } from './session';

export function sheetRoutes(db: Database): Router {
  const routes = Router();
  routes.param('id', onlyUuid);
  routes.get('/', async (request, response) => {
    const { retired } = checked(RetiredSchema, request.query);
    response.json(await listSheets(db, retired === '1'));
  });
  routes.get('/file', async (request, response) => {
    const { id } = checked(SheetIdsSchema, request.query);
    response.json(await sheetsFile(db, typeof id === 'string' ? [id] : id));
  });
  routes.get('/:id', async (request, response) => {
    const sheet = await readSheet(db, request.params.id);
    if (!sheet) throw new RequestError(404, 'There is no such sheet.');
    response.json(tellable(sheet));
  });
  routes.get('/:id/revisions', async (request, response) => {
    const revisions = await listRevisions(db, request.params.id);
    if (revisions.length === 0) throw new RequestError(404, 'There is no such sheet.');
    response.json(revisions);
  });
  routes.get('/:id/revisions/:revision', async (request, response) => {
    const { id, revision } = request.params;
    const sheet = /^\d{1,9}$/.test(revision)
      ? await readSheet(db, id, Number(revision))
      : undefined;
    if (!sheet) throw new RequestError(404, 'There is no such revision of a sheet.');
    response.json(tellable(sheet));
  });
  routes.patch('/:id', async (request, response) => {
    const { retired } = checked(SheetPatchSchema, request.body);
    const sheet = await retireSheet(db, request.params.id, retired, new Date().toISOString());
    const what = retired ? 'sheet-retired' : 'sheet-brought-back';
    await noteOf(db, request, what, sheet.document.name);
    response.json(sheet);
  });
  routes.post('/', async (request, response) => {
    const { id, document, revision } = checked(PublishSchema, request.body);
    const parsed = parseSheet(document);
    if (isRefused(parsed)) {
      const issues = parsed.issues.map(({ path, message }) => ({
        path: `document.${path}`,
        message,
      }));
      throw new RequestError(400, 'The sheet has mistakes.', issues);
    }
    const now = new Date().toISOString();
    const { sheet, made } =
      revision === undefined
        ? await publishSheet(db, id, parsed.sheet, now)
        : await putBackRevision(db, id, revision, parsed.sheet, now);
    const about = `${sheet.document.name}, revision ${sheet.revision}`;
    if (made) await noteOf(db, request, 'sheet-published', about);
    response.status(made ? 201 : 200).json(sheet);
  });
  return routes;
}
