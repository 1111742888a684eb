import { createHash, randomBytes, randomInt, scrypt, timingSafeEqual, type ScryptOptions } from 'node:crypto';
import { promisify } from 'node:util';

const derive = promisify<string, Buffer, number, ScryptOptions, Buffer>(scrypt);
/** Costs of a new hash: about 60 ms and 32 MB. */
const COSTS = { N: 2 ** 15, r: 8, p: 1 } as const;
const KEY_BYTES = 32;
const SALT_BYTES = 16;
const MEMORY = 64 * 1024 * 1024;

/**
 * Hashes a password or PIN to be kept.
 *
 * @example await hashOf('correct horse') // 'scrypt$32768$8$1$…salt…$…key…'
 */
export async function hashOf(secret: string): Promise<string> {
  const salt = randomBytes(SALT_BYTES);
  const key = await derive(secret.normalize('NFKC'), salt, KEY_BYTES, { ...COSTS, maxmem: MEMORY });
  return ['scrypt', COSTS.N, COSTS.r, COSTS.p, salt.toString('base64url'), key.toString('base64url')].join('$');
}

/** Whether a secret is the one that was hashed. Where there is none it takes as long and says no. */
export async function isSecret(secret: string, hash: string | null | undefined): Promise<boolean> {
  const [kind, N, r, p, salt, key] = (hash ?? (await NONE)).split('$');
  if (kind !== 'scrypt' || !salt || !key) return false;
  const kept = Buffer.from(key, 'base64url');
  const costs = { N: Number(N), r: Number(r), p: Number(p), maxmem: MEMORY };
  const given = await derive(secret.normalize('NFKC'), Buffer.from(salt, 'base64url'), kept.length, costs);
  return timingSafeEqual(given, kept) && typeof hash === 'string';
}

/** Stands for somebody who is not known, so that the answer takes as long. */
const NONE = hashOf(randomBytes(SALT_BYTES).toString('base64url'));

/** A token nobody guesses. */
export const newToken = (): string => randomBytes(32).toString('base64url');
/** What is kept of a token. */
export const tokenHash = (token: string): Buffer => createHash('sha256').update(token).digest();

/** Letters and figures that are not taken for each other. */
const LETTERS = 'ABCDEFGHJKMNPQRSTUVWXYZ23456789';
const CODE_LENGTH = 8;

/** A code to be read off a screen: `KM4P-7XQ2`. */
export function newCode(): string {
  const letters = Array.from({ length: CODE_LENGTH }, () => LETTERS[randomInt(LETTERS.length)]).join('');
  return `${letters.slice(0, 4)}-${letters.slice(4)}`;
}

/** A code as it was typed, without what does not count. */
export const plainCode = (typed: string): string => typed.toUpperCase().replace(/[^A-Z0-9]/g, '');
