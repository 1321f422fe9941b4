import { DataSource } from 'typeorm';
import { makeDatabase } from '../testing/testServer.js';
import {
  big,
  bytes,
  flag,
  isAny,
  listOf,
  moment,
  number,
  oneOf,
  orNull,
  readBy,
  rowOf,
  rowsOf,
  text,
  theRow,
  written,
} from './rows.js';

let database: DataSource;
beforeAll(async () => {
  database = await new DataSource({ type: 'postgres', url: await makeDatabase() }).initialize();
  await database.query('CREATE TABLE lamp (name text, lit_at timestamptz, oil int)');
  await database.query(
    `INSERT INTO lamp VALUES ('north', '2026-03-01T10:00:00Z', 4), ('south', NULL, 2)`,
  );
});
afterAll(() => database.destroy());

test('every type of the database is read as what it is', async () => {
  const row = await theRow(
    database,
    {
      word: text,
      id: text,
      small: number,
      part: number,
      large: big,
      is: flag,
      at: moment,
      raw: bytes,
      none: orNull(number),
      names: listOf(text),
      role: oneOf(['owner', 'viewer']),
      json: written<{ a: number }>(),
      read: readBy((value) => JSON.stringify(value)),
    },
    `SELECT 'pier' AS word, gen_random_uuid() AS id, 3 AS small, 0.5::real AS part,
       9007199254740993::bigint AS large, true AS is, '2026-03-01T10:00:00Z'::timestamptz AS at,
       '\\x0aff'::bytea AS raw, NULL::int AS none, ARRAY['a', 'b'] AS names, 'viewer' AS role,
       '{"a": 1}'::jsonb AS json, '[2]'::jsonb AS read`,
  );
  expect(row).toEqual({
    word: 'pier',
    id: expect.stringMatching(/^[0-9a-f-]{36}$/),
    small: 3,
    part: 0.5,
    large: 9007199254740993n,
    is: true,
    at: new Date('2026-03-01T10:00:00Z'),
    raw: Buffer.from([10, 255]),
    none: null,
    names: ['a', 'b'],
    role: 'viewer',
    json: { a: 1 },
    read: '[2]',
  });
});

test.each([
  ['text', text, '3'],
  ['a number', number, `'3'`],
  ['a number, and counts are large ones', number, 'count(*)'],
  ['a large number', big, '3'],
  ['a flag', flag, `'true'`],
  ['a moment', moment, `'2026-03-01'`],
  ['a moment, but there is none', moment, 'NULL'],
  ['bytes', bytes, `'x'`],
  ['a list of words', listOf(text), 'ARRAY[1]'],
  ['one of two', oneOf(['owner', 'viewer']), `'link'`],
  ['an object', written<object>(), `'3'::jsonb`],
])('what is not %s is an error that names the column', async (_, decode, value) => {
  await expect(rowsOf(database, { lamp: decode }, `SELECT ${value} AS lamp`)).rejects.toThrow(
    'The database tells something else as “lamp”.',
  );
});

test('a column that the statement does not tell is an error, too', async () => {
  await expect(rowsOf(database, { oil: orNull(number) }, 'SELECT 1 AS lamp')).rejects.toThrow(
    '“oil”',
  );
});

test('changes return the rows that they met, like SELECT', async () => {
  const columns = { name: text, oil: number };
  expect(
    await rowsOf(
      database,
      columns,
      `INSERT INTO lamp VALUES ('east', NULL, 1) RETURNING name, oil`,
    ),
  ).toEqual([{ name: 'east', oil: 1 }]);
  expect(
    await rowsOf(
      database,
      columns,
      'UPDATE lamp SET oil = oil + $1 WHERE oil < 3 RETURNING name, oil',
      [5],
    ),
  ).toEqual([
    { name: 'south', oil: 7 },
    { name: 'east', oil: 6 },
  ]);
  expect(
    await rowOf(database, columns, `DELETE FROM lamp WHERE name = 'west' RETURNING *`),
  ).toBeNull();
  expect(await isAny(database, `DELETE FROM lamp WHERE name = 'east' RETURNING 1`)).toBe(true);
  expect(await isAny(database, `SELECT 1 FROM lamp WHERE name = 'east'`)).toBe(false);
  await expect(theRow(database, columns, 'SELECT * FROM lamp WHERE oil < 0')).rejects.toThrow(
    'no row',
  );
});
