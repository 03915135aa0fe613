import { readFileSync } from 'node:fs'
import type { LongWork } from '../../src/contract/longWork'
import { connect } from '../../src/db/client'
import { signingKeyIn } from '../../src/server/reports/signingKey'
import { type Heads, headsSchema, verifyAll } from '../../src/server/reports/verifyAll'
import type { Finding } from '../../src/server/reports/verifyReport'

/** Prints findings, one a line; whether all of them hold. */
export function say(findings: readonly Finding[]): boolean {
  for (const { holds, says } of findings) process.stdout.write(`${holds ? 'ok  ' : 'FAIL'} ${says}\n`)
  return findings.every(({ holds }) => holds)
}

export const readHeads = (file: string): Heads => headsSchema.parse(JSON.parse(readFileSync(file, 'utf8')))

/** Verifies everything of a database and prints what is found, report by report; whether all of it holds. */
export async function sayAll(url: string, keyFile: string | null, headsFile: string | null, work: LongWork): Promise<boolean> {
  const { db, pool } = connect(url, 'long')
  try {
    const key = keyFile === null ? null : signingKeyIn(keyFile).publicKey
    const all = await verifyAll(db, key, headsFile === null ? null : readHeads(headsFile), work)
    const each = all.reports.map(({ id, where, findings }) => {
      process.stdout.write(`Report ${id} (${where})\n`)
      return say(findings)
    })
    process.stdout.write('Log and chains\n')
    return say(all.others) && each.every(Boolean)
  } finally {
    await pool.end()
  }
}
