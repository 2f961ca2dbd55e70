import { experimental } from '@/core/format/experimental'
import { plans } from '@/demo/plans'
for (const p of Object.values(plans as any) as any[]) { console.log('##', p.title); console.log(experimental(p).join('\n\n')) }
