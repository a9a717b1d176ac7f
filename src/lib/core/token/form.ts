import { z } from 'zod';
import { id } from '../forms';

/**
 * A key for a program, of whoever makes it. It is made on the device and shown there once; only its hash is sent, so that it stands
 * nowhere in the book.
 */
export const tokenSchema = z.object({
  id,
  name: z
    .string()
    .trim()
    .min(1, 'What is it for? A word or two, to know it by.')
    .max(60, 'At most 60 characters.'),
  /** SHA-256 of the key, hexadecimal. */
  hash: z.string().regex(/^[0-9a-f]{64}$/, 'That is no hash of a key.')
});
export type TokenInput = z.output<typeof tokenSchema>;
export const tokenWithdrawSchema = z.object({ tokenId: id });

/** What a key begins with: so it is known for one where it turns up by mistake. */
export const TOKEN_MARK = 'ht_';
export const looksLikeToken = (text: string): boolean => /^ht_[A-Za-z0-9_-]{43}$/.test(text);

/** A key as the team sees it. */
export interface Token {
  id: string;
  name: string;
  personId: string;
  person: string;
  createdAt: Date;
}

/** What is sent, by the kind of its command: the form and the server check alike. */
export const bodies = {
  'token.keep': tokenSchema,
  'token.withdraw': tokenWithdrawSchema
};
