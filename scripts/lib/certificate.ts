import { X509Certificate } from 'node:crypto'
import { chmodSync, existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs'
import { networkInterfaces } from 'node:os'
import { join } from 'node:path'
import { generate } from 'selfsigned'
import { nowMs } from '../../src/clock/clock'

export interface Certificate {
  readonly key: string
  readonly cert: string
}

const VALID_DAYS = 397

/** Addresses of this machine on its local networks, IPv4, without loopback. */
export const lanAddresses = (): string[] =>
  Object.values(networkInterfaces())
    .flatMap((all) => all ?? [])
    .filter(({ family, internal }) => family === 'IPv4' && !internal)
    .map(({ address }) => address)

/**
 * A certificate for these addresses, made on this machine and kept beside the database, so that a tablet trusts it
 * once. It is made anew when an address is not in it or it has run out.
 */
export async function certificateFor(folder: string, addresses: readonly string[]): Promise<Certificate> {
  mkdirSync(folder, { recursive: true })
  const [keyFile, certFile] = [join(folder, 'lan-key.pem'), join(folder, 'lan-cert.pem')]
  if (existsSync(keyFile) && existsSync(certFile)) {
    const kept = { key: readFileSync(keyFile, 'utf8'), cert: readFileSync(certFile, 'utf8') }
    if (covers(kept.cert, addresses)) return kept
  }
  const names = [
    { type: 2 as const, value: 'localhost' },
    { type: 7 as const, ip: '127.0.0.1' },
    ...addresses.map((ip) => ({ type: 7 as const, ip })),
  ]
  const made = await generate([{ name: 'commonName', value: 'Medida' }], {
    keySize: 2048,
    algorithm: 'sha256',
    notAfterDate: new Date(nowMs() + VALID_DAYS * 86_400_000),
    extensions: [{ name: 'subjectAltName', altNames: names }],
  })
  writeFileSync(keyFile, made.private, { mode: 0o600 })
  chmodSync(keyFile, 0o600)
  writeFileSync(certFile, made.cert)
  return { key: made.private, cert: made.cert }
}

function covers(cert: string, addresses: readonly string[]): boolean {
  const parsed = new X509Certificate(cert)
  return Date.parse(parsed.validTo) > nowMs() && addresses.every((address) => parsed.checkIP(address) !== undefined)
}
