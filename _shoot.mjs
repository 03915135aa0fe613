// node shoot.mjs PORT OUT [theme] [w h] path=name ... (user inspector by default; user=planner)
import { chromium } from 'playwright-core'
const [port, out, ...rest] = process.argv.slice(2)
const o = { user: 'inspector', w: 1280, h: 800, theme: 'light' }
const shots = []
for (const r of rest) { const m = /^(user|w|h|theme|full|act)=(.*)$/.exec(r); if (m) o[m[1]] = m[2]; else { const i = r.lastIndexOf('='); shots.push([r.slice(0, i), r.slice(i + 1)]) } }
const b = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox'] })
const c = await b.newContext({ baseURL: `http://127.0.0.1:${port}`, viewport: { width: +o.w, height: +o.h }, colorScheme: o.theme, deviceScaleFactor: 1 })
const p = await c.newPage()
if (o.user !== 'none') {
  await p.goto('/sign-in'); await p.waitForSelector('astro-island:not([ssr])')
  await p.getByLabel('User name or e-mail').fill(o.user); await p.getByLabel('Password').fill(o.pw ?? 'measure twice'); await p.keyboard.press('Enter'); await p.waitForURL(u => !u.pathname.includes('sign-in'))
}
for (const [path, name] of shots) {
  await p.goto(path); await p.waitForTimeout(900)
  if (o.act) await eval(`(async()=>{${o.act}})()`)
  await p.screenshot({ path: `${out}/${name}.png`, fullPage: o.full === '1' })
}
await b.close()
