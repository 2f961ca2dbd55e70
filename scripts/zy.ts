import { readFileSync } from 'node:fs'
import { sentencesIn } from '@/core/reading/handout/sentences'
import { verbsIn } from '@/core/reading/handout/verbs'
import { plainSigns } from '@/core/reading/handout/span'
const t = plainSigns(readFileSync(process.argv[2]!,'utf8').split('=====')[0]!)
for (const s of sentencesIn(t)) console.log(JSON.stringify(t.slice(s.from,s.to)), verbsIn(t,s).map(v=>v.deed+(v.passive?'*':'')).join(','))
