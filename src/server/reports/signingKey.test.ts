import { mkdtempSync, rmSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test } from 'vitest'
import { fingerprint, isSignedBy, signingKeyIn } from './signingKey'

test('a key is made once, kept to its owner, and signs what only it could', () => {
  const folder = mkdtempSync(join(tmpdir(), 'medida-key-'))
  const file = join(folder, 'signing-key.pem')
  const key = signingKeyIn(file)
  expect(signingKeyIn(file).publicKey).toBe(key.publicKey)
  expect(statSync(file).mode & 0o077).toBe(0)
  const other = signingKeyIn(join(folder, 'other.pem'))
  const signature = key.sign('ø 219.94')
  expect(isSignedBy(key.publicKey, 'ø 219.94', signature)).toBe(true)
  expect(isSignedBy(key.publicKey, 'ø 219.95', signature)).toBe(false)
  expect(isSignedBy(other.publicKey, 'ø 219.94', signature)).toBe(false)
  expect(isSignedBy('no key', 'ø 219.94', signature)).toBe(false)
  expect(fingerprint(key.publicKey)).toMatch(/^([0-9a-f]{4} ){3}[0-9a-f]{4}$/)
  rmSync(folder, { recursive: true })
})
