/** Why a write was not taken, by field, in the person's words. `''` is the form as a whole. */
export type FieldErrors = Record<string, string>;

/** Bad input or a state that does not allow it: answered at the field, never logged as a fault. */
export class Refusal extends Error {
  constructor(
    readonly errors: FieldErrors,
    /** What the form needs to ask the next question, such as the doubts about a reading. */
    readonly more: Record<string, unknown> = {}
  ) {
    super(Object.values(errors)[0] ?? 'refused');
  }
}

export function refuse(field: string, message: string, more?: Record<string, unknown>): never {
  throw new Refusal({ [field]: message }, more);
}
