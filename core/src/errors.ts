/**
 * What the core throws when it cannot answer: a code for programs and one plain sentence for people,
 * saying what was wrong and what would be right. Nothing in the core returns NaN.
 */
export class ReckoningError extends Error {
  readonly code: string;

  constructor(code: string, message: string) {
    super(message);
    this.name = 'ReckoningError';
    this.code = code;
  }
}

/** Throws a {@link ReckoningError}; usable where an expression is wanted. */
export function refuse(code: string, message: string): never {
  throw new ReckoningError(code, message);
}

/** What is reckoned; null where it is refused. Anything else that is thrown is thrown on. */
export function orNull<Answer>(reckon: () => Answer): Answer | null {
  try {
    return reckon();
  } catch (error) {
    if (error instanceof ReckoningError) return null;
    throw error;
  }
}
