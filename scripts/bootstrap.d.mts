export const root: string
export function stop(sentence: string, code?: number): never
export function runTypeScript(file: string): Promise<void>
export function importTypeScript(file: string): Promise<void>
