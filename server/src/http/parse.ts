/** Requests parsed with Yup: a value of the right shape, or problems that name the field. */
import { ValidationError, type Schema } from 'yup';
import { failed, ok, type Problem, type Result } from '@clever-drawer/core';

/** Parses a body strictly: nothing is converted, unknown fields are dropped. */
export async function parse<T>(schema: Schema<T>, body: unknown): Promise<Result<T>> {
  try {
    return ok(await schema.validate(body ?? {}, { strict: true, abortEarly: false }));
  } catch (error) {
    if (!(error instanceof ValidationError)) {
      throw error;
    }
    const inner = error.inner.length > 0 ? error.inner : [error];
    return failed(
      ...inner.slice(0, 20).map(
        (e): Problem => ({
          code: 'field-invalid',
          at: e.path || 'body',
          detail: `${e.message.slice(0, 200)}.`,
        }),
      ),
    );
  }
}
