import { say } from '../../labels/signIn'

/** Signs in by user name or address; answers why it failed, or null when it went well. */
export async function signIn(name: string, password: string): Promise<string | null> {
  const byEmail = name.includes('@')
  const path = byEmail ? '/api/auth/sign-in/email' : '/api/auth/sign-in/username'
  try {
    const response = await fetch(path, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(byEmail ? { email: name, password } : { username: name, password }),
    })
    if (response.ok) return null
    if (response.status === 429) return say.tooManyTries
    if (response.status >= 500) return say.serverCouldNot
    return say.namePasswordDo
  } catch {
    return say.serverCannotReached
  }
}
