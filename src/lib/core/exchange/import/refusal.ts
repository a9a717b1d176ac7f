/** Thrown where a row names something that the team does not have, or has twice, or says nothing that can be read. */
export class Unknown extends Error {}

/** Why nothing comes of a row. */
export const refusing = (problem: string): { ok: false; problem: string } => ({ ok: false, problem });
