import { number, object, string } from 'yup'
import { instrumentKinds } from '@/devices/line'
import { loadStandIn, readInstrument, tellInstrument } from '@/server/instruments'
import { Refusal } from '@/server/refusal'
import { route } from '@/server/route'
import { subjectOfRun, viewRun } from '@/server/runs'
import { standInLoad } from '@/server/standInLoad'

type Params = { id: string; kind: string }

/** What an instrument shows now, for a bench that writes: nothing is written by this. A fresh reading of a stand-in has first put on it what the plan has in this place. */
export const POST = route(
  {
    need: 'run.write',
    subject: ({ id }: Params, people) => subjectOfRun(id, people),
    body: object({
      ask: string().oneOf(['read', 'begin', 'tare', 'ramp']).required(),
      step: string().required().max(80),
      slot: string().max(40).default(''),
      fromC: number().strict().min(20).max(400),
      perMin: number().strict().min(0.2).max(40),
    }),
  },
  async ({ params: { id, kind }, body: { ask, step, slot, fromC, perMin } }) => {
    const known = instrumentKinds.find((each) => each === kind)
    if (!known) throw new Refusal(404, 'There is no such instrument here.')
    if (ask === 'begin') {
      const load = standInLoad(await viewRun(id), step, known, slot)
      if (load) await loadStandIn(known, load)
    }
    if (ask === 'tare') await tellInstrument(known, 'TARE')
    if (ask === 'ramp') await tellInstrument(known, `RAMP ${fromC ?? 100} ${perMin ?? 2}`)
    return readInstrument(known)
  },
)
