import { DefaultNamingStrategy, type Table } from 'typeorm';

const underscored = (name: string): string =>
  name.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`);
const nameOf = (table: Table | string): string => (typeof table === 'string' ? table : table.name);

/** Columns in the way of SQL, and constraints under the names that PostgreSQL gives them by itself. */
export class PostgresNames extends DefaultNamingStrategy {
  override columnName(property: string, given: string | undefined): string {
    return given ?? underscored(property);
  }

  override joinColumnName(relation: string, referenced: string): string {
    return underscored(`${relation}_${referenced}`);
  }

  override primaryKeyName(table: Table | string): string {
    return `${nameOf(table)}_pkey`;
  }

  override uniqueConstraintName(table: Table | string, columns: string[]): string {
    return `${nameOf(table)}_${columns.join('_')}_key`;
  }

  override foreignKeyName(table: Table | string, columns: string[]): string {
    return `${nameOf(table)}_${columns.join('_')}_fkey`;
  }
}
