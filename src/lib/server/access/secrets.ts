import { createHash, randomBytes } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';
import { ZxcvbnFactory } from '@zxcvbn-ts/core';
import { adjacencyGraphs, dictionary } from '@zxcvbn-ts/language-common';

/** Argon2id as OWASP’s password storage cheat sheet has it: 19 MiB, two passes. */
const COST = { memoryCost: 19_456, timeCost: 2, parallelism: 1 } as const;

export const hashSecret = (secret: string): Promise<string> => hash(secret.normalize('NFKC'), COST);
export const isSecret = (kept: string, typed: string): Promise<boolean> =>
  verify(kept, typed.normalize('NFKC'));

let nobodys: Promise<string> | null = null;
/** Takes as long as a look at a passphrase does, where there is none to look at: how long it takes tells nobody’s name. */
export async function lookInVain(typed: string): Promise<void> {
  nobodys ??= hashSecret(randomBytes(16).toString('hex'));
  await isSecret(await nobodys, typed);
}

/** A random key of 256 bits. */
export const newKey = (): string => randomBytes(32).toString('base64url');
/** What is kept of a random key; finding one by it needs no waiting, for there is nothing to guess. */
export const keyHash = (key: string): string => createHash('sha256').update(key).digest('hex');
export const looksLikeKey = (text: string | undefined): text is string =>
  text !== undefined && /^[A-Za-z0-9_-]{43}$/.test(text);

let factory: ZxcvbnFactory | null = null;
/** Of four: about ten thousand million guesses, behind waits of a quarter of an hour. */
const GOOD_ENOUGH = 3;

/**
 * What is wrong with a passphrase that somebody wants; null: it will do.
 * @param names what everybody knows of them: their own, the team’s
 */
export function weakness(passphrase: string, names: readonly string[]): string | null {
  const judge = (factory ??= new ZxcvbnFactory({ dictionary, graphs: adjacencyGraphs }));
  const words = names
    .flatMap((n) => [n, n.replaceAll(/\s+/g, ''), ...n.split(/\s+/)])
    .filter((w) => w.length > 2);
  const text = passphrase.slice(0, 128);
  // What everybody knows adds nothing: without it, it has to be as good.
  const secret = [...words]
    .sort((a, b) => b.length - a.length)
    .reduce((rest, w) => rest.replaceAll(w.toLowerCase(), ''), text.normalize('NFKC').toLowerCase());
  return [text, secret].every((t) => judge.check(t, words).score >= GOOD_ENOUGH)
    ? null
    : 'That is among the first to be guessed. Three or four words that have nothing to do with one another do well.';
}
