import { thisMoment } from './clock'
import { Op } from 'sequelize'
import { roomOf, type Lab } from '@/core/lab/lab'
import type { Plan } from '@/core/plan/plan'
import type { StoresRecord } from '@/core/stores/record'
import { LabSession, Run } from '@/data/models'
import { storesRecords } from './stores'

/** What the stores and the room have for one bench. */
export interface Prepared {
  /** Where each waste of a step goes in this room, by the step. */
  waste: Record<string, { stream: string; place: string }[]>
  /** Vials that were weighed beforehand, for this bench or for any. */
  vials: { name: string; massG: number; decimals: number; capped: boolean }[]
}

/** What was made ready for a bench. @param now of its days the one that is on counts, else the first */
export async function preparedFor(run: string, bench: number, plan: Plan, lab: Lab, now = thisMoment()): Promise<Prepared> {
  const own = await Run.findByPk(run, { rejectOnEmpty: true })
  const days = await LabSession.findAll({
    where: { [Op.or]: [{ id: own.session }, { goesOnFrom: own.session }] },
    order: [['startsAt', 'ASC']],
  })
  const day = days.find(({ startsAt, endsAt }) => startsAt <= now && now <= endsAt) ?? days[0]!
  const room = roomOf(lab, day.room)
  const places = (step: Plan['steps'][number]) =>
    (step.waste ?? []).flatMap(({ into }) => {
      const place = room?.waste.find(({ stream }) => stream === into)?.place
      return place ? [{ stream: into, place }] : []
    })
  const records = (await Promise.all(days.map(({ id }) => storesRecords(id)))).flat()
  return {
    waste: Object.fromEntries(plan.steps.flatMap((step) => (places(step).length > 0 ? [[step.id, places(step)]] : []))),
    vials: records
      .filter((record): record is StoresRecord<'tare'> => record.kind === 'tare')
      .filter(({ body }) => !body.gone && (body.bench === null || body.bench === bench))
      .map(({ item, body: { massG, decimals, capped } }) => ({ name: item, massG, decimals, capped })),
  }
}
