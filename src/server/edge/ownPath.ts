/** Nobody's address: what is read against it stays here, or does not. */
const HERE = 'http://medida.invalid'

/**
 * The path of our own that a link asks for after sign-in, read as a browser reads it; the shop floor for anything that leads
 * elsewhere: another host, however it is written, or a call.
 */
export function ownPath(next: string): string {
  if (!next.startsWith('/') || !URL.canParse(next, HERE)) return '/'
  const { origin, pathname, search } = new URL(next, HERE)
  return origin === HERE && !pathname.startsWith('//') && !pathname.startsWith('/api/') ? pathname + search : '/'
}
