import { Client } from 'pg';
import { DataSource, type DataSourceOptions } from 'typeorm';

/** Any number, the same for all servers of one database. */
const LOCK = 4_300_712;

/** Does something that only one of the servers of a database may do at a time; the others wait. */
export async function oneAtATime<T>(databaseUrl: string, what: () => Promise<T>): Promise<T> {
  const client = new Client({ connectionString: databaseUrl });
  await client.connect();
  try {
    await client.query('SELECT pg_advisory_lock($1)', [LOCK]);
    return await what();
  } finally {
    // The lock goes with the connection.
    await client.end();
  }
}

/** Brings the schema up to date. */
export const migrate = (options: DataSourceOptions & { url: string }): Promise<void> =>
  oneAtATime(options.url, async () => {
    const database = await new DataSource(options).initialize();
    try {
      await database.runMigrations({ transaction: 'each' });
    } finally {
      await database.destroy();
    }
  });
