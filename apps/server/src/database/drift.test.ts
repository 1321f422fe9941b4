import { Column, DataSource, Entity, PrimaryColumn } from 'typeorm';
import { makeDatabase, startServer } from '../testing/testServer.js';
import { DeckRow } from '../decks/decks.entities.js';
import { ENTITIES, MAPPING } from './entities.js';

let url: string;
beforeAll(async () => {
  url = await makeDatabase();
  const server = await startServer({ databaseUrl: url });
  await server.stop();
});

/** What would have to be done to the database for it to be as these entities say. */
async function drift(entities: (new () => object)[]): Promise<string[]> {
  const database = await new DataSource({
    type: 'postgres',
    url,
    ...MAPPING,
    entities,
  }).initialize();
  try {
    const { upQueries } = await database.driver.createSchemaBuilder().log();
    return upQueries.map(({ query }) => query);
  } finally {
    await database.destroy();
  }
}

async function inDatabase(statement: string): Promise<string[]> {
  const database = await new DataSource({ type: 'postgres', url }).initialize();
  try {
    const rows = await database.query<{ name: string }[]>(statement);
    return rows.map(({ name }) => name).sort();
  } finally {
    await database.destroy();
  }
}

test('the schema that the migrations make is what the entities say, table by table', async () => {
  expect(await drift(ENTITIES)).toEqual([]);
});

test('every table of the database has its entity', async () => {
  const database = new DataSource({ type: 'postgres', url, entities: ENTITIES });
  await database.initialize();
  const told = database.entityMetadatas.map(({ tableName }) => tableName).sort();
  await database.destroy();
  const there = await inDatabase(
    `SELECT tablename AS name FROM pg_tables WHERE schemaname = 'public' AND tablename <> 'migrations'`,
  );
  expect(told).toEqual(there);
});

test('what entities cannot tell of an index is there all the same', async () => {
  const there = await inDatabase(
    `SELECT indexdef AS name FROM pg_indexes WHERE indexname IN ('folio_name', 'asset_use_by_name')`,
  );
  expect(there).toEqual([
    'CREATE INDEX asset_use_by_name ON public.asset_use USING btree (name text_pattern_ops)',
    'CREATE UNIQUE INDEX folio_name ON public.folio USING btree (lesson_id, lower(name))',
  ]);
});

test.each([
  ['a column that nobody made', 'text', {}, /"lantern" SET NOT NULL/],
  [
    'a column that may be empty here and not there',
    'text',
    { name: 'written' },
    /"written" SET NOT NULL/,
  ],
])('drift is told: %s', async (_, type, given, told) => {
  @Entity('lesson_block')
  class Drifted {
    @PrimaryColumn('uuid')
    lessonId: string;

    @PrimaryColumn('text')
    name: string;

    @Column(type as 'text', given)
    lantern: string;
  }
  expect(await drift([Drifted])).toContainEqual(expect.stringMatching(told));
});

test('what is not given is no condition that any row would meet', async () => {
  const database = await new DataSource({ type: 'postgres', url, ...MAPPING }).initialize();
  const decks = database.getRepository(DeckRow);
  await decks.insert({ title: 'Keep the Lamp Lit', summary: {} as never });
  for (const id of [undefined, null as never]) {
    await expect(decks.findOneBy({ id })).rejects.toThrow();
    await expect(decks.existsBy({ id })).rejects.toThrow();
    await expect(decks.update({ id }, { title: 'Gone' })).rejects.toThrow();
    await expect(decks.delete({ id })).rejects.toThrow();
  }
  expect(await decks.find()).toMatchObject([{ title: 'Keep the Lamp Lit' }]);
  await database.destroy();
});
