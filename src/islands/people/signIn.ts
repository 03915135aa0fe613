import { say } from '../../labels/signIn'

/** How a sign-in went: signed in; a code of the second factor is asked; refused, with why. */
export type SignedIn = { readonly kind: 'in' } | { readonly kind: 'code' } | { readonly kind: 'refused'; readonly says: string }

async function ask(path: string, body: unknown, wrong: string): Promise<SignedIn> {
  try {
    const response = await fetch(`/api/auth/${path}`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    })
    if (response.ok) {
      const answer: unknown = await response.json().catch(() => null)
      const isHalf = typeof answer === 'object' && answer !== null && 'twoFactorRedirect' in answer
      return { kind: isHalf ? 'code' : 'in' }
    }
    const says = response.status === 429 ? say.tooManyTries : response.status >= 500 ? say.serverCouldNot : wrong
    return { kind: 'refused', says }
  } catch {
    return { kind: 'refused', says: say.serverCannotReached }
  }
}

/** Signs in by user name or address. */
export const signIn = (name: string, password: string): Promise<SignedIn> =>
  name.includes('@')
    ? ask('sign-in/email', { email: name, password }, say.namePasswordDo)
    : ask('sign-in/username', { username: name, password }, say.namePasswordDo)

/** Ends it with the code of the second factor, or with one of those to recover with, which have a hyphen. */
export const signInCode = (typed: string): Promise<SignedIn> =>
  typed.includes('-')
    ? ask('two-factor/verify-backup-code', { code: typed.trim() }, say.codeWrong)
    : ask('two-factor/verify-totp', { code: typed.replace(/\s/g, '') }, say.codeWrong)
