/** A name as the beginning of an id: small letters and digits with hyphens; empty where nothing of it is left. */
export const slug = (text: string, most = 40): string =>
  text
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .slice(0, most)
    .replace(/^-+|-+$/g, '')
