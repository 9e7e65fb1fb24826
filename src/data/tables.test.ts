import { getTableName, isTable } from 'drizzle-orm';
import { getTableConfig, type PgTable } from 'drizzle-orm/pg-core';
import { bookSchema } from '@/core/formats/bookJson';
import * as schema from './schema';
import { columnOf, RECORDS, TABLES } from './tables';

it('every table of the schema is listed once, after those that it points to', () => {
  const names = TABLES.map(getTableName);
  const declared = Object.values(schema)
    .filter((one) => isTable(one))
    .map((one) => getTableName(one as PgTable));
  expect([...names].sort()).toEqual(declared.sort());
  TABLES.forEach((table, at) => {
    for (const { reference } of getTableConfig(table).foreignKeys)
      expect(names.indexOf(getTableName(reference().foreignTable))).toBeLessThan(at);
  });
});

it('every list of a backup has its table, and every column that dates a row is one', () => {
  const lists = Object.keys(bookSchema.shape).filter(
    (key) => !['format', 'version', 'madeAtMs'].includes(key),
  );
  expect(RECORDS.map(({ name }) => name).sort()).toEqual(lists.sort());
  for (const { table, order, without } of RECORDS)
    for (const name of [...order, ...(without ? [without] : [])])
      expect(columnOf(table, name).name).not.toBe('');
  for (const { table, moment } of RECORDS)
    if (moment) expect(columnOf(table, moment).getSQLType()).toBe('timestamp with time zone');
  expect(() => columnOf(RECORDS[0]!.table, 'nowhere')).toThrow('no column nowhere');
});
