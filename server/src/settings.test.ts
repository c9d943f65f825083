import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  backupPlan,
  certificateFrom,
  logLevelFrom,
  portFrom,
  proxiesFrom,
  StartError,
  wholeFrom,
} from './settings';

const saidOf = (work: () => unknown) => {
  try {
    work();
  } catch (error) {
    expect(error).toBeInstanceOf(StartError);
    return (error as Error).message;
  }
  return undefined;
};

describe('what a start is told by its environment', () => {
  it('is a port, or what would be one', () => {
    expect([portFrom(undefined), portFrom('')]).toEqual([8640, 8640]);
    expect(portFrom('1')).toBe(1);
    expect(portFrom('65535')).toBe(65535);
    for (const text of ['0', '65536', '-1', '80.5', 'http', '1e9']) {
      expect(saidOf(() => portFrom(text))).toContain(`PORT is “${text}”`);
    }
  });

  it('is a certificate with its key, or neither', () => {
    const folder = mkdtempSync(join(tmpdir(), 'longbar-settings-'));
    const [cert, key] = ['cert', 'key'].map((name) => join(folder, name)) as [string, string];
    expect(certificateFrom(undefined, undefined)).toBeUndefined();
    expect(certificateFrom('', '')).toBeUndefined();
    expect(saidOf(() => certificateFrom(cert, undefined))).toContain('both TLS_CERT and TLS_KEY');
    expect(saidOf(() => certificateFrom(undefined, key))).toContain('both TLS_CERT and TLS_KEY');
    expect(saidOf(() => certificateFrom(cert, key))).toContain('TLS_CERT is');
    writeFileSync(cert, 'a certificate');
    expect(saidOf(() => certificateFrom(cert, key))).toContain('TLS_KEY is');
    writeFileSync(key, 'its key');
    expect(String(certificateFrom(cert, key)?.key)).toBe('its key');
    rmSync(folder, { recursive: true });
  });

  it('is the level of the log, one that there is', () => {
    expect(logLevelFrom()).toBe('warn');
    expect(logLevelFrom('info')).toBe('info');
    expect(saidOf(() => logLevelFrom('loud'))).toContain('LOG_LEVEL is “loud”; it must be one of');
  });

  it('is the proxies whose word is taken, by address, network or neighbourhood', () => {
    expect(proxiesFrom()).toEqual([]);
    expect(proxiesFrom('loopback, 10.0.0.0/8,fd00::/8')).toEqual([
      'loopback',
      '10.0.0.0/8',
      'fd00::/8',
    ]);
    for (const text of ['true', '10.0.0.0/33', 'proxy.lan', '10.0.0', '1']) {
      expect(saidOf(() => proxiesFrom(`loopback, ${text}`))).toContain(
        `LONGBAR_PROXY has “${text}”`,
      );
    }
  });

  it('is a whole number from 1, the usual one where none is named', () => {
    const name = 'LONGBAR_BACKUPS';
    expect(backupPlan('data', {}).keep).toBe(14);
    expect(backupPlan('data', { [name]: '3' }).keep).toBe(3);
    for (const text of ['0', '-2', '2.5', 'many']) {
      expect(saidOf(() => wholeFrom(name, 14, { [name]: text }))).toContain(`${name} is “${text}”`);
    }
  });
});
