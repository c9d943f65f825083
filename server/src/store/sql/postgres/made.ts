import pg from 'pg';

/** Makes a database of a server where it is missing; `address` is one of those that it has. */
export async function madeDatabase(address: string, name: string): Promise<void> {
  const client = new pg.Client(address);
  await client.connect();
  try {
    const { rowCount } = await client.query('SELECT 1 FROM pg_database WHERE datname = $1', [name]);
    if (rowCount === 0) await client.query(`CREATE DATABASE ${pg.escapeIdentifier(name)}`);
  } finally {
    await client.end();
  }
}
