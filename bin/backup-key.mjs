// Locks a backup with a passphrase, or opens one: node bin/backup-key.mjs lock|open FROM TO, the passphrase in
// PYRETHOS_BACKUP_KEY. A file is the mark, 16 bytes of salt, 12 of nonce, what is locked, 16 of tag (AES-256-GCM).
import { createCipheriv, createDecipheriv, randomBytes, scryptSync } from 'node:crypto';
import { readFileSync, writeFileSync } from 'node:fs';

const MARK = Buffer.from('PYRETHOS-GCM');
const [, , what, from, to] = process.argv;
const keyOf = (salt) =>
  scryptSync(process.env.PYRETHOS_BACKUP_KEY ?? '', salt, 32, { N: 2 ** 16, r: 8, p: 1, maxmem: 2 ** 27 });

const bytes = readFileSync(from);
if (what === 'lock') {
  const [salt, nonce] = [randomBytes(16), randomBytes(12)];
  const cipher = createCipheriv('aes-256-gcm', keyOf(salt), nonce);
  const locked = Buffer.concat([cipher.update(bytes), cipher.final()]);
  writeFileSync(to, Buffer.concat([MARK, salt, nonce, locked, cipher.getAuthTag()]), { mode: 0o600 });
} else {
  const at = MARK.length;
  const [salt, nonce] = [bytes.subarray(at, at + 16), bytes.subarray(at + 16, at + 28)];
  const decipher = createDecipheriv('aes-256-gcm', keyOf(salt), nonce);
  decipher.setAuthTag(bytes.subarray(-16));
  try {
    const plain = Buffer.concat([decipher.update(bytes.subarray(at + 28, -16)), decipher.final()]);
    writeFileSync(to, plain, { mode: 0o600 });
  } catch {
    process.exit(1);
  }
}
