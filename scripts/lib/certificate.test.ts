import { X509Certificate } from 'node:crypto'
import { mkdtempSync, rmSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, expect, test } from 'vitest'
import { nowMs } from '../../src/clock/clock'
import { certificateFor } from './certificate'

const folder = mkdtempSync(join(tmpdir(), 'medida-certificate-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))

test('a certificate names its addresses, is kept, and is made anew only for an address it lacks', async () => {
  const first = await certificateFor(folder, ['192.0.2.7'])
  const parsed = new X509Certificate(first.cert)
  expect(parsed.checkIP('192.0.2.7')).toBe('192.0.2.7')
  expect(parsed.checkIP('127.0.0.1')).toBe('127.0.0.1')
  expect(parsed.checkHost('localhost')).toBe('localhost')
  expect(parsed.checkIP('192.0.2.8')).toBeUndefined()
  expect(Date.parse(parsed.validTo)).toBeGreaterThan(nowMs() + 300 * 86_400_000)
  // Only its owner reads the key.
  expect(statSync(join(folder, 'lan-key.pem')).mode & 0o077).toBe(0)
  expect(await certificateFor(folder, ['192.0.2.7'])).toEqual(first)
  const second = await certificateFor(folder, ['192.0.2.7', '192.0.2.8'])
  expect(second.cert).not.toBe(first.cert)
  expect(new X509Certificate(second.cert).checkIP('192.0.2.8')).toBe('192.0.2.8')
})
