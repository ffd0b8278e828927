/** What the tables' TypeORM schemas are made of. */
import { EntitySchema, type EntitySchemaColumnOptions, type EntitySchemaOptions } from 'typeorm';

/** The columns of a table, by the properties of its rows. */
export type Columns<T> = { [K in keyof Required<T>]: EntitySchemaColumnOptions };

/** Columns: the id of a row. */
export const id: EntitySchemaColumnOptions = { type: 'uuid', primary: true };

/** Columns: a text. */
export const text: EntitySchemaColumnOptions = { type: 'text' };

/** Columns: a text, or null. */
export const maybeText: EntitySchemaColumnOptions = { type: 'text', nullable: true };

/** Columns: JSON. */
export const json: EntitySchemaColumnOptions = { type: 'jsonb' };

/** Columns: JSON, or null. */
export const maybeJson: EntitySchemaColumnOptions = { type: 'jsonb', nullable: true };

/** Columns: a whole number. */
export const whole: EntitySchemaColumnOptions = { type: 'integer' };

/** Columns: a whole number, or null. */
export const maybeWhole: EntitySchemaColumnOptions = { type: 'integer', nullable: true };

/** Columns: yes or no. */
export const flag: EntitySchemaColumnOptions = { type: 'boolean' };

/** Columns: a time. */
export const time: EntitySchemaColumnOptions = { type: 'timestamptz' };

/** Columns: a time, or null. */
export const maybeTime: EntitySchemaColumnOptions = { type: 'timestamptz', nullable: true };

/** Columns: a part of the key. */
export const primary: EntitySchemaColumnOptions = { type: 'uuid', primary: true };

/**
 * A column that points to another table's row; the constraint's name is given so that the drift
 * test can compare it.
 */
export const toRow = (
  table: string,
  target: string,
  column: string,
  onDelete: 'CASCADE' | 'SET NULL' | 'NO ACTION',
  more: EntitySchemaColumnOptions = { type: 'uuid' },
): EntitySchemaColumnOptions => ({
  ...more,
  name: column,
  nullable: onDelete === 'SET NULL',
  foreignKey: { target, name: `${table}_${column}_fkey`, onDelete },
});

/** A table. A column without a name of its own is named like its property, in snake case. */
export function schema<T extends object>(
  name: string,
  columns: Columns<T>,
  more: Partial<EntitySchemaOptions<T>> = {},
): EntitySchema<T> {
  const named = Object.fromEntries(
    Object.entries<EntitySchemaColumnOptions>(columns).map(([property, options]) => {
      const column = property.replace(/[A-Z]/g, (c) => `_${c.toLowerCase()}`);
      return [
        property,
        {
          name: column,
          ...options,
          ...(options.primary ? { primaryKeyConstraintName: `${name}_pkey` } : {}),
        },
      ];
    }),
  );
  // eslint-disable-next-line @typescript-eslint/no-unsafe-class-instance-assignment -- typeorm's documented way is a plain object
  return new EntitySchema<T>({ name, columns: named as never, ...more });
}

/** A uniqueness of the table, by its columns. */
export const unique = (
  name: string,
  ...columns: string[]
): { name: string; columns: string[] }[] => [{ name, columns }];

/** An index of the table, by its columns. */
export const index = (name: string, ...columns: string[]): { name: string; columns: string[] } => ({
  name,
  columns,
});
