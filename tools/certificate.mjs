// `npm run certificate`: a local certificate for this machine's addresses, so that phones on the
// shop's network get HTTPS. The authority that signs it is made once and trusted on each phone.
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { hostname, networkInterfaces } from 'node:os';
import { join } from 'node:path';
import { installDependencies, root, say } from './prepare.mjs';

installDependencies();
const { createCA, createCert } = await import('mkcert');

const folder = join(process.env.LONGBAR_DATA ?? join(root, 'data'), 'tls');
const file = (name) => join(folder, name);
mkdirSync(folder, { recursive: true, mode: 0o700 });

if (!existsSync(file('authority.crt'))) {
  const made = await createCA({
    organization: 'Long Bar, this workshop',
    countryCode: 'XX',
    state: 'Workshop',
    locality: 'Workshop',
    validity: 3650,
  });
  writeFileSync(file('authority.crt'), made.cert);
  writeFileSync(file('authority.key'), made.key, { mode: 0o600 });
}
const authority = {
  cert: readFileSync(file('authority.crt'), 'utf8'),
  key: readFileSync(file('authority.key'), 'utf8'),
};
const addresses = Object.values(networkInterfaces())
  .flatMap((list) => list ?? [])
  .filter(({ family, internal }) => family === 'IPv4' && !internal)
  .map(({ address }) => address);
const domains = ['localhost', '127.0.0.1', hostname(), ...addresses, ...process.argv.slice(2)];
const { cert, key } = await createCert({ ca: authority, domains, validity: 820 });
writeFileSync(file('server.crt'), cert);
writeFileSync(file('server.key'), key, { mode: 0o600 });

say(`A certificate for ${domains.join(', ')}.`);
say(`On each phone, once: install and trust ${file('authority.crt')}`);
say('Then serve with it:');
say(`  HOST=0.0.0.0 TLS_CERT=${file('server.crt')} TLS_KEY=${file('server.key')} npm run start`);
