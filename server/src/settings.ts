import { X509Certificate } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import type { BackupPlan } from './store/backupFiles';
import { backupFolder } from './store/dataFile';

/** Cannot start, for a reason a person can mend. */
export class StartError extends Error {}

/** The port to serve on, as the environment names it. */
export function portFrom(text = '8640'): number {
  const port = Number(text);
  if (Number.isInteger(port) && port >= 0 && port <= 65535) return port;
  throw new StartError(`PORT is “${text}”; it must be a whole number from 0 to 65535.`);
}

/** The certificate to serve by, where one is named; both files or none. */
export function certificateFrom(cert: string | undefined, key: string | undefined) {
  if (!cert && !key) return undefined;
  if (!cert || !key) throw new StartError('Set both TLS_CERT and TLS_KEY, or neither.');
  const read = (name: string, file: string) => {
    try {
      return readFileSync(file);
    } catch {
      throw new StartError(`${name} is “${file}”, which cannot be read.`);
    }
  };
  return { cert: read('TLS_CERT', cert), key: read('TLS_KEY', key) };
}

/** The names it is served by, as the environment and the certificate have them. */
export function hostsFrom(named = '', cert?: Buffer): string[] {
  const inCertificate = cert ? (new X509Certificate(cert).subjectAltName ?? '') : '';
  return [
    ...named.split(','),
    ...inCertificate.split(',').map((name) => name.trim().replace(/^DNS:/, '')),
  ].flatMap((name) => name.trim() || []);
}

/** How many backups are kept. */
function keptBackups(): number {
  return wholeFrom('LONGBAR_BACKUPS', 14);
}

/** Where backups of a data folder go, as the environment has it. */
export function backupPlan(folder: string): BackupPlan {
  const to = process.env.LONGBAR_BACKUP_TO;
  return {
    folder: backupFolder(folder),
    ...(to && { to: resolve(to) }),
    keep: keptBackups(),
    everyHours: wholeFrom('LONGBAR_BACKUP_HOURS', 24),
  };
}

/** A whole number from the environment, from 1. */
export function wholeFrom(name: string, usual: number): number {
  const text = process.env[name];
  if (text === undefined) return usual;
  const figure = Number(text);
  if (Number.isInteger(figure) && figure >= 1) return figure;
  throw new StartError(`${name} is “${text}”; it must be a whole number from 1.`);
}
