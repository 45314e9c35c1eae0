import { createCipheriv, createDecipheriv, hkdfSync, randomBytes } from 'node:crypto';

const NONCE_BYTES = 12;
const TAG_BYTES = 16;

/**
 * A text that whoever has only the database cannot read: AES-256-GCM under a key of the installation's secret.
 *
 * @param purpose keeps what is sealed for one thing from being taken for another
 */
export function seal(secret: string, purpose: string, text: string): string {
  const nonce = randomBytes(NONCE_BYTES);
  const cipher = createCipheriv('aes-256-gcm', keyOf(secret, purpose), nonce);
  const sealed = Buffer.concat([cipher.update(text, 'utf8'), cipher.final()]);
  return Buffer.concat([nonce, cipher.getAuthTag(), sealed]).toString('base64url');
}

/** Null for what was sealed with another secret, for another purpose, or changed since. */
export function unseal(secret: string, purpose: string, sealed: string): string | null {
  try {
    const bytes = Buffer.from(sealed, 'base64url');
    const decipher = createDecipheriv('aes-256-gcm', keyOf(secret, purpose), bytes.subarray(0, NONCE_BYTES));
    decipher.setAuthTag(bytes.subarray(NONCE_BYTES, NONCE_BYTES + TAG_BYTES));
    return (
      decipher.update(bytes.subarray(NONCE_BYTES + TAG_BYTES), undefined, 'utf8') + decipher.final('utf8')
    );
  } catch {
    return null;
  }
}

function keyOf(secret: string, purpose: string): Buffer {
  return Buffer.from(hkdfSync('sha256', secret, '', `doceo/${purpose}`, 32));
}
