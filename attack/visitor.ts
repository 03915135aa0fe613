/** Somebody who speaks to a running Medida without a browser, signed in or not. */
import { DEMO_PASSWORD } from '../demo/quillmere/station'

export interface Answered {
  readonly status: number
  readonly text: string
}

export class Visitor {
  private constructor(
    readonly url: string,
    private readonly cookie: string,
  ) {}

  static stranger = (url: string): Visitor => new Visitor(url, '')

  /** Signed in with the demo password; the address counts as a person's own, so a rate limit is met by no test by chance. */
  static async as(url: string, username: string): Promise<Visitor> {
    const answer = await fetch(`${url}/api/auth/sign-in/username`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ username, password: DEMO_PASSWORD }),
    })
    if (!answer.ok) throw new Error(`${username} cannot sign in: ${answer.status} ${await answer.text()}`)
    return new Visitor(
      url,
      answer.headers
        .getSetCookie()
        .map((set) => set.split(';')[0])
        .join('; '),
    )
  }

  async get(path: string, headers: Record<string, string> = {}): Promise<Answered> {
    return answered(await fetch(this.url + path, { headers: { cookie: this.cookie, ...headers }, redirect: 'manual' }))
  }

  /** The status alone: what may go on for ever is hung up. */
  async statusOf(method: string, path: string): Promise<number> {
    const end = new AbortController()
    const answer = await fetch(this.url + path, {
      method,
      headers: { cookie: this.cookie, ...(method === 'POST' ? { 'content-type': 'application/json' } : {}) },
      ...(method === 'POST' ? { body: '{}' } : {}),
      redirect: 'manual',
      signal: end.signal,
    })
    end.abort()
    return answer.status
  }

  /** Where an address leads, as its header says; empty where it leads nowhere. */
  async redirectOf(path: string): Promise<string> {
    const answer = await fetch(this.url + path, { headers: { cookie: this.cookie }, redirect: 'manual' })
    return answer.headers.get('location') ?? ''
  }

  async post(path: string, body: unknown): Promise<Answered> {
    return this.send(path, 'application/json', typeof body === 'string' ? body : JSON.stringify(body))
  }

  async send(path: string, type: string, body: string): Promise<Answered> {
    const headers = { cookie: this.cookie, origin: this.url, 'content-type': type }
    return answered(await fetch(this.url + path, { method: 'POST', headers, body, redirect: 'manual' }))
  }

  async upload(path: string, about: unknown, file: string | Uint8Array<ArrayBuffer>): Promise<Answered> {
    const form = new FormData()
    form.set('about', JSON.stringify(about))
    form.set('file', new Blob([file]))
    return answered(
      await fetch(this.url + path, { method: 'POST', headers: { cookie: this.cookie }, body: form, redirect: 'manual' }),
    )
  }
}

const answered = async (answer: Response): Promise<Answered> => ({ status: answer.status, text: await answer.text() })
