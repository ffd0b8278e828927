/** What of an error is written down: its words and where it came from, never what it was about. */

/** An error as it is logged. The parameters of statements hold what people typed: they stay out. */
export interface LoggedError {
  readonly name: string;
  readonly message: string;
  readonly code?: string;
  readonly stack?: string;
}

/** The most of a stack that is kept, in characters. */
const stackLimit = 4_000;

/** Message, code and stack of whatever was thrown. */
export function loggable(error: unknown): LoggedError {
  if (!(error instanceof Error)) {
    return { name: typeof error, message: String(error).slice(0, stackLimit) };
  }
  const { code } = error as { code?: unknown };
  return {
    name: error.name,
    message: error.message,
    ...(typeof code === 'string' ? { code } : {}),
    ...(error.stack === undefined ? {} : { stack: error.stack.slice(0, stackLimit) }),
  };
}
