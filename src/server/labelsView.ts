import { samplesOf, type Form } from '@/core/plan/plan'
import { reactionTable } from '@/core/reaction/reactionTable'
import { substancesIn, wasteIn, type PutAway } from '@/core/operations/vessel/wasteIn'
import { roomOf, type Lab } from '@/core/lab/lab'
import type { StoresRecord } from '@/core/stores/record'
import { settingOut } from '@/core/stores/settingOut'
import { labelOf, wasteLabel, type Label } from '@/reference/labels'
import { dayIn } from './settingOut'
import { storesRecords, storesSession, type StoresSession } from './stores'

/** A label that may be printed, and how many of it usually are. */
export interface LabelRow extends Label {
  key: string
  copies: number
  /** What is written besides: bench and members, or the place of a container. */
  note: string
}

export interface LabelsView {
  session: Omit<StoresSession, 'plan'>
  /** The day that stands on them. */
  day: string
  labels: LabelRow[]
}

/** As a solution in water of so much of it by mass. */
const inWaterAt = (share: number): Form => ({ kind: 'mass-fraction', fraction: Math.min(1, share), source: '' })

/** What formed on the way is taken as it is by itself. */
const unknownForm: Form = { kind: 'solid', purity: 1 }

/** A label that says nothing about hazards: whose sample it is, or what a vial weighs. */
const plainLabel = (session: string) => ({
  kind: 'sample' as const,
  signal: 'none',
  pictograms: [],
  statements: [],
  from: '',
  path: `/class/${session}`,
  copies: 1,
})

/** The labels of a session: what is issued, what is made up, each bench’s samples, and the waste containers. @throws Refusal 404, UnreadableDocument */
export async function labelsView(id: string, lab: Lab): Promise<LabelsView> {
  const { plan, ...session } = await storesSession(id)
  const records = await storesRecords(id)
  const { needs } = settingOut([{ id, plan, groups: session.groups }])
  const issued = needs
    .filter(({ madeIn, substance }) => madeIn === undefined && substance.formula !== 'H2O')
    .map(({ stuff, unit, substance, form }): LabelRow => ({
      ...labelOf(substance, form),
      key: `${stuff} ${unit}`,
      copies: 1,
      note: '',
    }))
  const samples = session.groups.flatMap(({ bench, members }) =>
    samplesOf(plan).map((sample): LabelRow => ({
      key: `sample ${bench} ${sample}`,
      kind: 'sample',
      name: `Bench ${bench}`,
      detail: `${sample}, ${plan.title}`,
      signal: 'none',
      pictograms: [],
      statements: [],
      from: '',
      path: `/class/${id}`,
      copies: 1,
      note: members,
    })),
  )
  const vials = records
    .filter((record): record is StoresRecord<'tare'> => record.kind === 'tare')
    .filter(({ body }) => !body.gone)
    .map(({ item, body }): LabelRow => ({
      ...plainLabel(id),
      key: `vial ${item}`,
      name: `Vial ${item}`,
      detail: `${body.massG.toFixed(body.decimals)} g ${body.capped ? 'with cap' : 'without cap'}`,
      note: body.bench === null ? '' : `bench ${body.bench}`,
    }))
  const room = roomOf(lab, session.room)
  const byStream = new Map<PutAway['into'], PutAway['vessel'][]>()
  for (const { into, vessel } of wasteIn(plan, reactionTable(plan), lab).put)
    byStream.set(into, [...(byStream.get(into) ?? []), vessel])
  const waste = [...byStream].map(([stream, vessels]): LabelRow => ({
    ...wasteLabel(
      stream,
      substancesIn(plan, vessels)
        .filter(({ substance }) => substance.formula !== 'H2O')
        .map(({ substance, line, share, inWater }) => ({
          substance,
          form: inWater && share !== null ? inWaterAt(share) : (line?.form ?? unknownForm),
        })),
      `/stores/${id}/waste`,
    ),
    key: `waste ${stream}`,
    copies: 1,
    note: room?.waste.find((each) => each.stream === stream)?.place ?? '',
  }))
  return { session, day: dayIn(session), labels: [...issued, ...waste, ...vials, ...samples] }
}
