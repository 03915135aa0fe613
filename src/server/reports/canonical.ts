import { createHash } from 'node:crypto'
import canonicalize from 'canonicalize'

/** Canonical JSON (RFC 8785): the same value always gives the same bytes. */
export function canonicalJson(value: unknown): string {
  const text = canonicalize(value)
  if (text === undefined) throw new Error('value has no JSON form')
  return text
}

export const sha256 = (text: string): string => createHash('sha256').update(text, 'utf8').digest('hex')
export const sha256OfBytes = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex')

/** Hash of a job's record: what a reviewer reads is what is signed. */
export const recordHash = (record: unknown): string => sha256(canonicalJson(record))
