import * as accounts from '../accounts/accounts.entities.js';
import * as assets from '../assets/assets.entities.js';
import * as classes from '../classes/classes.entities.js';
import * as comments from '../comments/comments.entities.js';
import * as decks from '../decks/decks.entities.js';
import * as folios from '../folios/folios.entities.js';
import * as lessons from '../lessons/lessons.entities.js';
import * as media from '../media/media.entities.js';
import * as outbox from '../outbox/outbox.entities.js';
import * as publishing from '../publishing/publishing.entities.js';
import * as sharing from '../sharing/sharing.entities.js';
import * as showing from '../showing/showing.entities.js';
import * as starters from '../starters/starters.entities.js';
import * as themes from '../themes/themes.entities.js';
import * as sync from '../sync/sync.entities.js';
import { PostgresNames } from './PostgresNames.js';

/** Every table there is; a test holds them against what the migrations make. */
export const ENTITIES = [
  accounts,
  assets,
  classes,
  comments,
  decks,
  folios,
  lessons,
  media,
  outbox,
  publishing,
  sharing,
  showing,
  starters,
  sync,
  themes,
].flatMap((group) => Object.values<new () => object>(group));

/** How entities lie in the database, and what they may be asked. */
export const MAPPING = {
  entities: ENTITIES,
  namingStrategy: new PostgresNames(),
  // Ids are made by `gen_random_uuid`, which needs no extension.
  uuidExtension: 'pgcrypto',
  installExtensions: false,
  // What is not given would be no condition to TypeORM: it would find, change or delete any row.
  invalidWhereValuesBehavior: { null: 'throw', undefined: 'throw' },
} as const;
