import { createHash, createPrivateKey, createPublicKey, generateKeyPairSync, type KeyObject, sign, verify } from 'node:crypto'
import { existsSync, linkSync, readFileSync, rmSync, writeFileSync } from 'node:fs'

/**
 * The key of an installation, Ed25519 (RFC 8032). It lies outside the database: whoever can rewrite every row still cannot
 * sign what they wrote.
 */
export interface SigningKey {
  /** SPKI in base64: as it stands on each report. */
  readonly publicKey: string
  sign(text: string): string
}

const publicText = (key: KeyObject): string => createPublicKey(key).export({ type: 'spki', format: 'der' }).toString('base64')

/** Reads the key in a file, made at the first start. */
export function signingKeyIn(file: string): SigningKey {
  if (!existsSync(file)) {
    const { privateKey } = generateKeyPairSync('ed25519')
    const made = `${file}.${process.pid}`
    writeFileSync(made, privateKey.export({ type: 'pkcs8', format: 'pem' }), { mode: 0o600 })
    // Whole or not at all, and of two that start at once the first one's.
    try {
      linkSync(made, file)
    } catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'EEXIST') throw error
    } finally {
      rmSync(made)
    }
  }
  const key = createPrivateKey(readFileSync(file))
  if (key.asymmetricKeyType !== 'ed25519') throw new Error(`${file} holds no Ed25519 key`)
  return { publicKey: publicText(key), sign: (text) => sign(null, Buffer.from(text, 'utf8'), key).toString('base64') }
}

/** Whether a text carries this signature of this key; a key that is none signs nothing. */
export function isSignedBy(publicKey: string, text: string, signature: string): boolean {
  try {
    const key = createPublicKey({ key: Buffer.from(publicKey, 'base64'), type: 'spki', format: 'der' })
    return verify(null, Buffer.from(text, 'utf8'), key, Buffer.from(signature, 'base64'))
  } catch {
    return false
  }
}

/** The first figures of a key's hash, in fours: what people compare with what is printed. */
export const fingerprint = (publicKey: string): string =>
  createHash('sha256')
    .update(publicKey)
    .digest('hex')
    .slice(0, 16)
    .replace(/(.{4})(?=.)/g, '$1 ')
