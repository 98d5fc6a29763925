import { createHash, randomBytes } from 'node:crypto';
import { hash, verify } from '@node-rs/argon2';

/** A new secret for a link or a cookie: 256 random bits. */
export const newToken = (): string => randomBytes(32).toString('base64url');

/** What is kept of a token: whoever reads the database can use none. */
export const tokenHash = (token: string): string => createHash('sha256').update(token).digest('hex');

// Argon2id with 19 MiB and two passes, the package's default and what OWASP asks for at least.
export const secretHash = (secret: string): Promise<string> => hash(secret.normalize('NFKC'));

/** Whether a secret is the one that was kept. Takes as long where there is none, so that nobody learns who is here. */
export async function isSecret(kept: string | undefined, secret: string): Promise<boolean> {
  const right = await verify(kept ?? (await nobodys), secret.normalize('NFKC'));
  return right && kept !== undefined;
}

const nobodys = secretHash(newToken());

const PASSPHRASE_LEAST = 12;
/** What is wrong with a new passphrase; null where nothing is. Length counts, signs do not (NIST SP 800-63B). */
export function passphraseFault(passphrase: string, name: string): string | null {
  const text = passphrase.normalize('NFKC');
  if ([...text].length < PASSPHRASE_LEAST)
    return `is shorter than ${PASSPHRASE_LEAST} characters; four words that do not belong together are good`;
  if ([...text].length > 200) return 'is longer than 200 characters';
  if (new Set(text.toLowerCase()).size < 5) return 'repeats a few characters; take four words';
  const plain = text.toLowerCase().replaceAll(/\s/g, '');
  if (plain.includes('pyrethos') || plain === name.toLowerCase().replaceAll(/\s/g, '').repeat(2))
    return 'is easy to guess from here; take four words that have nothing to do with the shop';
  return null;
}

/** What is wrong with a PIN; null where nothing is. */
export function pinFault(pin: string): string | null {
  if (!/^\d{4,8}$/.test(pin)) return 'has four to eight digits';
  const steps = new Set([...pin].slice(1).map((d, i) => Number(d) - Number(pin[i])));
  return steps.size === 1 && [-1, 0, 1].includes([...steps][0])
    ? 'is one of the first that anyone tries'
    : null;
}
