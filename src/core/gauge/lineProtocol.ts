/**
 * The plain line protocol of gauges: lines of ASCII, ended by LF or CR LF, each with a checksum after a star.
 *
 *   HELLO 2 OM-20 K7QX3MPA9D   version of the protocol, code of the gauge in the store, code of the pairing
 *   HELLO 1 OM-20              without a pairing: only over a cable in the hand of who reads
 *   READ 17 6.082 mm *16       running number, figure, unit
 *   PING *10                   still there
 *   BYE *5E                    put away
 *
 * The checksum is the XOR of all bytes before “ *”, as two hexadecimal digits: a line that noise has touched is dropped,
 * never read as another figure. docs/gauge-protocol.md has it with examples for those who write an adapter.
 */
export type GaugeLine =
  /** The secret is null where the gauge does not say one. */
  | { readonly kind: 'hello'; readonly gauge: string; readonly secret: string | null }
  | { readonly kind: 'read'; readonly number: number; readonly figure: string; readonly unit: string }
  | { readonly kind: 'ping' }
  | { readonly kind: 'bye' }
  /** Not understood, and why: noise on the line, half a line, another version. */
  | { readonly kind: 'noise'; readonly why: 'checksum' | 'shape' | 'version' }

export const GAUGE_PROTOCOL = 2
/** Signs of a pairing's code: none that are taken for another. */
export const PAIRING_SIGNS = 'ABCDEFGHJKLMNPQRSTUVWXYZ23456789'
export const PAIRING_LENGTH = 10
/** No line is longer; what is, is noise up to its end. */
const LONGEST = 120

const checksum = (text: string): string =>
  [...text]
    .reduce((sum, sign) => sum ^ (sign.codePointAt(0) ?? 0), 0)
    .toString(16)
    .toUpperCase()
    .padStart(2, '0')
    .slice(-2)

/** A line ready to be sent, with its checksum and its end. */
export const gaugeLine = (text: string): string => `${text} *${checksum(text)}\n`

const WITH_SUM = /^([\x20-\x7e]*) \*([0-9A-F]{2})$/
const READ = /^READ (\d{1,9}) ([+-]?\d{1,9}(?:\.\d{1,9})?) ([A-Za-z%/.]{1,8})$/

/** Reads one line without its end. */
export function parseGaugeLine(line: string): GaugeLine {
  const parts = WITH_SUM.exec(line)
  const text = parts?.[1]
  if (text === undefined) return { kind: 'noise', why: 'shape' }
  if (checksum(text) !== parts?.[2]) return { kind: 'noise', why: 'checksum' }
  if (text === 'PING' || text === 'BYE') return { kind: text === 'PING' ? 'ping' : 'bye' }
  const hello = /^HELLO (\d+) (\S{1,40})(?: (\S{1,40}))?$/.exec(text)
  if (hello) {
    const [, version, gauge = '', secret = null] = hello
    return (version === '1' && secret === null) || (version === String(GAUGE_PROTOCOL) && secret !== null)
      ? { kind: 'hello', gauge, secret }
      : { kind: 'noise', why: 'version' }
  }
  const read = READ.exec(text)
  if (!read) return { kind: 'noise', why: 'shape' }
  return { kind: 'read', number: Number(read[1]), figure: read[2] ?? '', unit: read[3] ?? '' }
}

/** Cuts what comes over the wire into lines: halves are kept until their end comes, what never ends is dropped. */
export class LineCutter {
  private rest = ''
  private dropping = false
  private tooLong = false

  /** Whether more ever came without an end than any line has. */
  get wasTooLong(): boolean {
    return this.tooLong
  }

  push(chunk: string): readonly string[] {
    const lines: string[] = []
    for (const sign of chunk) {
      if (sign === '\n') {
        if (!this.dropping && this.rest !== '') lines.push(this.rest.replace(/\r$/, ''))
        this.rest = ''
        this.dropping = false
      } else if (!this.dropping) {
        this.rest += sign
        if (this.rest.length > LONGEST) {
          this.rest = ''
          this.dropping = true
          this.tooLong = true
        }
      }
    }
    return lines
  }
}
