import { readFileSync } from 'node:fs'
import { propose } from '@/core/reading/handout/propose'
import { planFrom } from '@/core/reading/handout/planFrom'
import { queriesOf } from '@/core/query/queries'
import { writePlanFile, readPlanFile } from '@/core/format/planFile'
import { lexiconWith } from '@/reference/shorthand'
import { reactionTable, theoreticalYield } from '@/core/reaction/reactionTable'
for (const f of process.argv.slice(2)) {
const [text] = readFileSync(f,'utf8').split('=====\n')
const t0=performance.now()
const p = propose(text!, lexiconWith())
console.log('####', p.title, '|', p.does, 'product', p.product, 'ref', p.reference, 'balanced', p.balanced, (performance.now()-t0).toFixed(0)+'ms')
for (const l of p.lines) console.log(' ', l.id, l.role, l.coefficient, JSON.stringify(l.form).slice(0,80), JSON.stringify(l.anchor)?.slice(0,90), l.asks.map(a=>a.words+'['+a.choices.map(c=>c.label).join('|')+']').join('; '))
const answered = {...p, lines: p.lines.map(l=>({...l,...l.asks.reduce((s,a)=>({...s,...a.choices[0]!.change}),{}),asks:[]})), steps: p.steps.map(s=>({...s,asks:[]}))}
const plan = planFrom(answered)
const again = readPlanFile(writePlanFile(plan))
for (const s of again.steps) console.log('  -', s.kind, (s as any).operation??'', '|', String(s.title), '|', String(s.text), '|', JSON.stringify({w:s.work,u:s.until,c:String(s.caution??'').slice(0,50),v:s.vessel,says:s.says,h:(s as any).holdMin,p:(s as any).portion}))
for (const d of p.disagreements) console.log('  !!', d.title, d.words)
for (const l of p.left) console.log('  left:', text!.slice(l.from,l.to))
const th = plan.mainProduct ? theoreticalYield(plan, reactionTable(plan))?.value : undefined
console.log('  theory', th)
for (const q of queriesOf(again)) console.log('  ?', q.title, '-', q.evidence.slice(0,140), q.remedy?.label??'')
}
