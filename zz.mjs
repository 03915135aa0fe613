import { chromium } from 'playwright-core'
const [port,out,...rest]=process.argv.slice(2)
const opt=Object.fromEntries(rest.filter(a=>/^(user|w|h|theme|act)=/.test(a)).map(a=>a.split(/=(.*)/s)))
const shots=rest.filter(a=>a.startsWith('path')).map(a=>a.replace(/^path/,'').split('=>'))
const b=await chromium.launch({executablePath:'/usr/bin/chromium',args:['--no-sandbox','--disable-gpu']})
const c=await b.newContext({baseURL:`http://127.0.0.1:${port}`,viewport:{width:+(opt.w??1280),height:+(opt.h??800)},colorScheme:opt.theme??'light'})
const p=await c.newPage()
await p.goto('/sign-in'); await p.waitForTimeout(600)
await p.getByLabel('User name or e-mail').fill(opt.user??'inspector'); await p.getByLabel('Password').fill('measure twice'); await p.keyboard.press('Enter'); await p.waitForURL('**/')
for (const [path,name] of shots){ await p.goto(path); await p.waitForFunction(()=>document.querySelectorAll('astro-island[ssr]').length===0); await p.waitForTimeout(700)
 if(opt.act) await new Function('p','return (async()=>{'+opt.act+'})()')(p)
 await p.screenshot({path:`${out}/${name}.png`,fullPage:opt.full==='1'}) }
await b.close()
