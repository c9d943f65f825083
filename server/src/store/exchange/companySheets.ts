import * as v from 'valibot';
import type { CompanySheets } from '@longbar/core';
import { RequestError } from '../../requestError';
import { unpack } from '../packedAnswers';
import type { Database } from '../sql/database';
import { companyOf, companyRunFrom } from '../yard/companies';
import { bringBack, listSheets } from '../yard/sheets';
import { bringSheet } from './bringSheet';

/** The sheets that a shop's company offers, each with the revision that the shop has of it. */
export async function readCompanySheets(db: Database): Promise<CompanySheets> {
  const company = await companyOf(db);
  if (!company) return { company: null, runFromHere: false, sheets: [] };
  const { name, home } = company;
  const offered = await offeredBy(home);
  const own = new Map(
    [...(await listSheets(db)), ...(await listSheets(db, true))].map((sheet) => [sheet.id, sheet]),
  );
  const sheets = (await listSheets(home))
    .filter(({ id }) => offered.has(id))
    .map(({ id, name: engine, revision }) => ({
      ...{ id, name: engine, revision, here: own.get(id)?.revision ?? null },
    }));
  return { company: name, runFromHere: home.shop === db.shop, sheets };
}

/** Offers a sheet to the shops of the company that is run from here, or no more. Throws RequestError 404. */
export async function offerSheet(db: Database, id: string, offered: boolean): Promise<string> {
  if (!(await companyRunFrom(db))) {
    throw new RequestError(404, 'No company is run from this shop.');
  }
  const sheet = (await listSheets(db)).find((each) => each.id === id);
  if (!sheet) throw new RequestError(404, 'There is no such sheet.');
  const sql = offered
    ? ('INSERT INTO company_sheets (shop, sheet) VALUES ($shop, $1) ON CONFLICT DO NOTHING' as const)
    : ('DELETE FROM company_sheets WHERE shop = $shop AND sheet = $1' as const);
  await db.write((transaction) => db.run(sql, [id], transaction));
  return sheet.name;
}

/**
 * Takes a sheet that the company offers, all its revisions under their numbers; machines go by it
 * once somebody says so. Answers its name. Throws RequestError 404, and 409 where the shop has other
 * revisions under these numbers.
 */
export async function takeSheet(db: Database, id: string): Promise<string> {
  const company = await companyOf(db);
  const home = company?.home;
  const sheet =
    home && home.shop !== db.shop && (await offeredBy(home)).has(id)
      ? (await listSheets(home)).find((each) => each.id === id)
      : undefined;
  if (!home || !sheet) throw new RequestError(404, 'No such sheet is offered to this shop.');
  await db.write(async (transaction) => {
    await bringSheet({ from: home, to: db }, id, transaction);
    await bringBack(db, id, transaction);
  });
  unpack(db);
  return `${sheet.name}, revision ${sheet.revision}`;
}

async function offeredBy(home: Database): Promise<Set<string>> {
  const rows = await home.rows(
    v.object({ sheet: v.string() }),
    'SELECT sheet FROM company_sheets WHERE shop = $shop',
  );
  return new Set(rows.map(({ sheet }) => sheet));
}
