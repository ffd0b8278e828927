/** Requests drawn from the schemas of the routes: each text that a route takes, one odd at a time. */
import { randomUUID } from 'node:crypto';
import type { Router } from 'express';
import type { ISchema, SchemaDescription, SchemaFieldDescription } from 'yup';
import { actSchema, actSchemas } from '../../server/src/http/order/act-schema.ts';
import { apiRoutes } from '../../server/src/http/routes.ts';
import type { Parts } from '../../server/src/parts.ts';

/** A request in which one text is left open. */
export interface OpenRequest {
  readonly method: string;
  /** Below /api; `:computer` stands for the computer's id. */
  readonly path: string;
  /** Which text is odd. */
  readonly field: string;
  readonly with: (text: string) => { readonly path: string; readonly body: string | undefined };
}

interface Route {
  readonly method: string;
  readonly path: string;
  readonly schemas: readonly ISchema<unknown>[];
}

/** Express keeps its routes like this. */
interface Layer {
  readonly route?: {
    readonly path: string;
    readonly stack: readonly { readonly method: string; readonly handle: object }[];
  };
}

/** Every request with every text field of every route, of the path and of the query, left open. */
export function drawRequests(ids: { cabinet: string; plugin: string }): OpenRequest[] {
  const routes = routesOf(apiRoutes({} as Parts));
  return routes.flatMap((route) => [...openPaths(route), ...openBodies(route, ids)]);
}

function routesOf(router: Router): Route[] {
  return (router.stack as unknown as Layer[]).flatMap(({ route }) =>
    (route?.stack ?? []).map(({ method, handle }) => ({
      method: method.toUpperCase(),
      path: route?.path ?? '',
      schemas: 'schema' in handle ? schemasOf(handle.schema as ISchema<unknown>) : [],
    })),
  );
}

/** The schema of acts chooses by the act's name; all it may choose from are tried. */
const schemasOf = (schema: ISchema<unknown>): ISchema<unknown>[] =>
  (schema as unknown) === actSchema ? Object.values(actSchemas) : [schema];

function openPaths({ method, path, schemas }: Route): OpenRequest[] {
  const params = path.split('/').filter((part) => part.startsWith(':') && part !== ':computer');
  const body = schemas.length > 0 ? '{}' : undefined;
  const inPath = params.map((param) => ({
    method,
    path,
    field: param,
    with: (text: string) => ({ path: path.replace(param, encoded(text)), body }),
  }));
  const asQuery = { method, path, field: 'query' };
  const inQuery = path.endsWith('/find')
    ? [
        {
          ...asQuery,
          with: (text: string) => ({ path: `${path}?q=${encoded(text)}`, body: undefined }),
        },
      ]
    : [];
  return [...inPath, ...inQuery];
}

/** Half a pair of surrogates can be in no address. */
const encoded = (text: string): string =>
  encodeURIComponent(text.replaceAll(/[\ud800-\udfff]/gu, '�')).slice(0, 8_000) || '%20';

function openBodies(
  { method, path, schemas }: Route,
  ids: Readonly<Record<string, string>>,
): OpenRequest[] {
  return schemas.flatMap((schema) => {
    const act = Object.entries(actSchemas).find(([, known]) => known === schema)?.[0];
    const sample = { ...(act && { act }), ...(sampleOf(schema.describe(), '', ids) as object) };
    return textsIn(sample).map((field) => ({
      method,
      path,
      field: `${act ?? ''} ${field.join('.')}`.trim(),
      with: (text: string) => ({
        path: path.replaceAll(/:(?!computer)\w+/g, () => randomUUID()),
        body: JSON.stringify(withText(sample, field, text)),
      }),
    }));
  });
}

/** A value that the schema takes, as far as its description tells. */
function sampleOf(
  described: SchemaFieldDescription,
  key: string,
  ids: Readonly<Record<string, string>>,
): unknown {
  const { type, oneOf } = described as SchemaDescription;
  if (oneOf.length > 0) {
    return oneOf[0];
  }
  switch (type) {
    case 'object': {
      const { fields } = described as SchemaDescription & {
        readonly fields: Readonly<Record<string, SchemaFieldDescription>>;
      };
      return Object.fromEntries(
        Object.entries(fields).map(([name, field]) => [name, sampleOf(field, name, ids)]),
      );
    }
    case 'array': {
      const { innerType } = described as SchemaDescription & {
        readonly innerType?: SchemaFieldDescription;
      };
      return innerType ? [sampleOf(innerType, key, ids)] : [];
    }
    case 'number':
      return 1;
    case 'boolean':
      return true;
    default:
      return sampleText(described as SchemaDescription, key, ids);
  }
}

const samples: Readonly<Record<string, string>> = {
  types: 'delay',
  relation: 'has',
  until: '2027-01-31',
  at: '2026-01-31T12:00:00.000Z',
  parent: 'null',
  limit: '9',
};

function sampleText(
  { tests }: SchemaDescription,
  key: string,
  ids: Readonly<Record<string, string>>,
): string | null {
  const known = ids[key] ?? samples[key];
  if (known !== undefined) {
    return known === 'null' ? null : known;
  }
  return tests.some(({ name }) => name === 'matches') ? randomUUID() : 'Echo';
}

type Field = readonly (string | number)[];

/** Where the texts of a value are. */
function textsIn(value: unknown, at: Field = []): Field[] {
  if (typeof value === 'string' || value === null) {
    return [at];
  }
  return typeof value === 'object'
    ? Object.entries(value).flatMap(([key, inner]) => textsIn(inner, [...at, key]))
    : [];
}

/** The value with one text replaced. */
function withText(value: unknown, [key, ...rest]: Field, text: string): unknown {
  if (key === undefined) {
    return text;
  }
  if (Array.isArray(value)) {
    return value.map((inner: unknown, at) =>
      String(at) === String(key) ? withText(inner, rest, text) : inner,
    );
  }
  const record = value as Readonly<Record<string, unknown>>;
  return { ...record, [key]: withText(record[key], rest, text) };
}
