import { CompanyMoveSchema, CompanySheetPutSchema } from '@longbar/core';
import { Router } from 'express';
import { RequestError, wrongField } from '../requestError';
import { offerSheet, readCompanySheets, takeSheet } from '../store/exchange/companySheets';
import { moveMachine } from '../store/exchange/moveMachine';
import { readCompany } from '../store/planning/company';
import type { Database } from '../store/sql/database';
import { noteAudit } from '../store/yard/audit';
import type { RunFromHere } from '../store/yard/companies';
import { companyRunFrom } from '../store/yard/companies';
import { identityOf, readShop } from '../store/yard/shop';
import { checked } from './errors';
import { onlyUuid } from './ids';
import { holderOf, noteOf } from './session';

/**
 * The company that is run from a shop, for its foremen: its shops side by side, and machines that go
 * from one to another. A shop that no company is run from has nothing here.
 */
export function companyRoutes(db: Database, driftDue?: () => void): Router {
  const routes = Router();
  routes.param('id', onlyUuid);
  const ours = async () => {
    const company = await companyRunFrom(db);
    if (!company) throw new RequestError(404, 'No company is run from this shop.');
    return company;
  };
  routes.get('/', async (_request, response) => {
    response.json(await readCompany(await ours(), new Date()));
  });
  routes.post('/moves', async (request, response) => {
    const { machine, from, to } = checked(CompanyMoveSchema, request.body);
    const company = await ours();
    const between = {
      from: await shopIn(company, 'from', from),
      to: await shopIn(company, 'to', to),
    };
    if (from === to) throw wrongField('to', 'It is in this shop. Choose another.');
    const name = await moveMachine(between, machine, new Date());
    driftDue?.();
    const { name: who } = holderOf(request);
    const [left, come] = [await readShop(between.from), await readShop(between.to)];
    const what = 'machine-moved';
    await noteAudit(between.from, { what, who, about: `${name} to ${come.name}` });
    await noteAudit(between.to, { what, who, about: `${name} here from ${left.name}` });
    response.json(await readCompany(company, new Date()));
  });
  routes.get('/sheets', async (_request, response) => {
    response.json(await readCompanySheets(db));
  });
  routes.put('/sheets/:id', async (request, response) => {
    const { offered } = checked(CompanySheetPutSchema, request.body);
    const name = await offerSheet(db, request.params.id, offered);
    await noteOf(db, request, 'sheet-offered', offered ? name : `${name} no more`);
    response.json(await readCompanySheets(db));
  });
  routes.post('/sheets/:id', async (request, response) => {
    const taken = await takeSheet(db, request.params.id);
    await noteOf(db, request, 'sheet-taken', taken);
    response.json(await readCompanySheets(db));
  });
  return routes;
}

async function shopIn({ shops }: RunFromHere, field: 'from' | 'to', id: string): Promise<Database> {
  for (const shop of shops) {
    if ((await identityOf(shop)).id === id) return shop;
  }
  throw wrongField(field, 'The company has no such shop.');
}
