import { readFileSync, readdirSync } from 'node:fs'
import { readText } from '@/core/reading/handout/readText'
import { accountOf, truthOf, compare } from '@/test-support/handoutScore'
import { nameTable } from '@/core/reading/handout/names'
import { lexiconWith } from '@/reference/shorthand'
const dir = 'src/test-support/handouts'
const lex = lexiconWith(); const table = nameTable(lex)
const want = process.argv[2]
let A=0,AF=0,C=0,CF=0,W=0
for (const f of (want?.startsWith('/')?[want]:readdirSync(dir).sort())) {
  if (want && want!=="all" ? !f.startsWith(want) : Number(f.slice(0,2))>12 && process.argv[3]!=="sealed") continue
  const [text, truth] = readFileSync(f.startsWith('/')?f:`${dir}/${f}`,'utf8').split('=====\n')
  const t0=performance.now()
  const read = readText(text!, lex, table)
  const t1=performance.now()
  const t = truthOf(truth!), s = accountOf(read)
  const a = compare(s.amounts,t.amounts), c = compare(s.conditions,t.conditions)
  A+=t.amounts.length;AF+=a.found.length;C+=t.conditions.length;CF+=c.found.length;W+=a.wrong.length+c.wrong.length
  console.log(`## ${f} ${(t1-t0).toFixed(0)}ms amounts ${a.found.length}/${t.amounts.length} cond ${c.found.length}/${t.conditions.length} product ${read.product}`)
  if (a.missed.length||a.wrong.length) console.log('  A missed',a.missed,'wrong',a.wrong)
  if (c.missed.length||c.wrong.length) console.log('  C missed',c.missed,'wrong',c.wrong)
  const want2 = /^s (.*)$/m.exec(truth!)?.[1]
  console.log('  s', read.steps.map(x=>x.operation).join(' ')); console.log('  S', want2)
  if (want) for (const st of read.steps) console.log('   ',st.operation,JSON.stringify(read.plain.slice(st.from,st.to)).slice(0,150),st.fields.map(x=>x.key+'='+x.value).join(','), st.words.map(w=>'W:'+read.plain.slice(w.from,w.to)).join('|'), st.warnings.map(w=>'!:'+read.plain.slice(w.from,w.to)).join('|'))
}
console.log({A,AF,C,CF,W})
