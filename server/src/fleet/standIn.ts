import type { Request, Response } from 'express';
import express from 'express';
import { OnLoopback } from '../outgoing/onLoopback';

/** What the stand-in tells of one machine. */
export type StandInUnit = { serial: string; model: string; hours: number; at: string };

/** The ways in which such services fail. */
export const FAULTS = [
  'slow',
  'refused',
  'broken',
  'cut-off',
  'wrong-order',
  'twice',
  'jump',
  'circle',
] as const;
export type Fault = (typeof FAULTS)[number];

const KEY = 'stand-in-key';
const ON_A_PAGE = 3;

/**
 * A telematics service that is none: it tells the hours of made-up units as ISO 15143-3 has it,
 * in pages, as JSON at `/fleet` and as XML at `/fleet.xml`, to whoever has its key. It fails as
 * real ones do where `?fault=` says how.
 */
export class FleetStandIn {
  readonly key = KEY;
  private constructor(private readonly place: OnLoopback) {}

  /** Where it is, without a path. */
  get origin(): string {
    return this.place.origin;
  }

  static async start(units: () => readonly StandInUnit[]): Promise<FleetStandIn> {
    const app = express();
    app.disable('x-powered-by');
    app.get('/fleet', (request, response) => answer(request, response, units(), inJson));
    app.get('/fleet.xml', (request, response) => answer(request, response, units(), inXml));
    return new FleetStandIn(await OnLoopback.start(app));
  }

  stop(): Promise<void> {
    return this.place.stop();
  }
}

type Page = { units: StandInUnit[]; links: { rel: string; href: string }[] };

function answer(
  request: Request,
  response: Response,
  units: readonly StandInUnit[],
  written: (page: Page, response: Response) => string,
): void {
  const fault = FAULTS.find((each) => each === request.query.fault);
  if (fault === 'slow') return;
  if (fault === 'broken') return void response.status(500).send('Out of order');
  if (request.headers.authorization !== `Bearer ${KEY}` || fault === 'refused') {
    return void response.status(401).send('Who are you?');
  }
  const n = Math.max(1, Number(request.query.page) || 1);
  const text = written(pageOf(request, faulty(units, fault), n, fault), response);
  if (fault !== 'cut-off') return void response.send(text);
  response.set('Content-Length', String(Buffer.byteLength(text)));
  response.write(text.slice(0, text.length / 2), () => response.destroy());
}

function pageOf(
  request: Request,
  units: readonly StandInUnit[],
  n: number,
  fault: Fault | undefined,
): Page {
  const href = (page: number) =>
    `${request.path}?page=${page}${fault === undefined ? '' : `&fault=${fault}`}`;
  const more = units.length > n * ON_A_PAGE;
  const next = fault === 'circle' ? 1 : n + 1;
  return {
    units: units.slice((n - 1) * ON_A_PAGE, n * ON_A_PAGE),
    links: [
      { rel: 'Self', href: href(n) },
      ...(more || fault === 'circle' ? [{ rel: 'Next', href: href(next) }] : []),
    ],
  };
}

const JUMP = 30_000;
const A_DAY = 86_400_000;

function faulty(units: readonly StandInUnit[], fault: Fault | undefined): readonly StandInUnit[] {
  switch (fault) {
    case 'twice':
      return units.flatMap((unit) => [unit, unit]);
    case 'jump':
      return units.map((unit) => ({ ...unit, hours: unit.hours + JUMP }));
    case 'wrong-order': {
      // What was told the day before comes after it.
      const before = units.map(({ at, hours, ...unit }) => {
        const then = new Date(Date.parse(at) - A_DAY).toISOString();
        return { ...unit, at: then, hours: Math.max(0, hours - 1) };
      });
      return [...units, ...before];
    }
    default:
      return units;
  }
}

function inJson({ units, links }: Page, response: Response): string {
  response.type('application/json');
  return JSON.stringify({
    Version: '1',
    SnapshotTime: new Date().toISOString(),
    Links: links,
    Equipment: units.map(({ serial, model, hours, at }) => ({
      EquipmentHeader: { Model: model, EquipmentID: serial, SerialNumber: serial },
      CumulativeOperatingHours: { Hour: hours, datetime: at },
    })),
  });
}

function inXml({ units, links }: Page, response: Response): string {
  response.type('application/xml');
  const told = units.map(
    ({ serial, model, hours, at }) =>
      `<Equipment><EquipmentHeader><Model>${model}</Model><SerialNumber>${serial}</SerialNumber></EquipmentHeader>` +
      `<CumulativeOperatingHours datetime="${at}"><Hour>${hours}</Hour></CumulativeOperatingHours></Equipment>`,
  );
  const linked = links.map(
    ({ rel, href }) =>
      `<Links><rel>${rel}</rel><href>${href.replaceAll('&', '&amp;')}</href></Links>`,
  );
  return `<?xml version="1.0" encoding="UTF-8"?><Fleet version="1" snapshotTime="${new Date().toISOString()}">${linked.join('')}${told.join('')}</Fleet>`;
}
