/** Requests parsed with Yup: a value of the right shape, or problems that name the field. */
import { ValidationError, type ISchema } from 'yup';
import { failed, ok, type Problem, type Result } from '@clever-drawer/core/problem';
import { troubleInValue } from '@clever-drawer/core/text';

/** What any body may hold: 20,000 placements with room to spare. */
const bodyLimits = { depth: 12, values: 400_000 };
/** With more values than this, only the first fault of a body is told: finding all takes seconds. */
const smallBody = { depth: 12, values: 2_000 };

/**
 * Parses a body strictly: nothing is converted, unknown fields are dropped. Limits are looked at
 * before anything else.
 */
export async function parse<T>(schema: ISchema<T>, body: unknown): Promise<Result<T>> {
  const trouble = troubleInValue(body, bodyLimits);
  if (trouble) {
    return failed({ code: 'field-invalid', at: trouble.at || 'body', detail: trouble.detail });
  }
  try {
    const abortEarly = troubleInValue(body, smallBody) !== null;
    return ok(await schema.validate(body ?? {}, { strict: true, abortEarly }));
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
