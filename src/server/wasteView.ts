import { foldRun } from '@/core/run/foldRun'
import { roomOf, type Lab } from '@/core/lab/lab'
import {
  callShare,
  containersFor,
  fullestShare,
  wasteForecast,
  wasteOf,
  type WasteForecast,
  type Wastes,
} from '@/core/stores/wasteForecast'
import type { StoresRecord } from '@/core/stores/record'
import type { WasteStream } from '@/core/substance/lists'
import { wasteWords } from '@/core/substance/wasteWords'
import { readEntries } from '@/data/entries'
import { storesRecords, storesSession, type StoresSession } from './stores'
import { slowly } from './slowly'

/** One waste container of a session: what is expected, what the log says is in it by now, where it stands, and what came back. */
export interface WasteRow extends WasteForecast {
  /** Where it stands in the room, and how much it holds; null where the laboratory has not said it. */
  place: string | null
  sizeL: number
  count: number
  /** L that groups have put in so far, by their steps and what they charged. */
  soFarL: number
  /** True from three quarters of what the containers hold. */
  call: boolean
  /** What is to be heeded at it. */
  heed: string | null
  back: StoresRecord<'waste'> | null
}

export interface WasteView {
  session: Omit<StoresSession, 'plan'>
  rows: WasteRow[]
  /** What is charged and put into none, by name. */
  unplaced: string[]
  /** The plan says of no step what goes where. */
  none: boolean
}

const nothingDone: Wastes = { containers: new Map(), unplaced: new Set() }

/** What is taken where the laboratory has not said how large a container is, L. */
const usualSizeL = 5

/** The waste of a session: forecast by what is planned, filled by what the benches have done. @throws Refusal 404, UnreadableDocument */
export async function wasteView(id: string, lab: Lab): Promise<WasteView> {
  const { plan, ...session } = await storesSession(id)
  const [records, entries] = await Promise.all([storesRecords(id), readEntries(session.groups.map(({ run }) => run))])
  const planned = new Map<number, Wastes>()
  const { containers, unplaced } = wasteForecast(
    await slowly(session.groups, ({ scale }) => {
      const known = planned.get(scale) ?? wasteOf(plan, { scale }, lab)
      planned.set(scale, known)
      return known
    }),
  )
  const done = wasteForecast(
    await slowly(session.groups, ({ run, scale }) => {
      const state = foldRun(plan, scale, entries[run] ?? [])
      const steps = new Set(state.steps.filter(({ status }) => status === 'done').map(({ step }) => step.id))
      return steps.size === 0 ? nothingDone : wasteOf(plan, { scale, charged: state.charged, done: steps }, lab)
    }),
  )
  const room = roomOf(lab, session.room)
  return {
    session,
    unplaced,
    none: containers.length === 0,
    rows: containers.map((container) => {
      const { stream } = container
      const place = room?.waste.find((each) => each.stream === stream)
      const sizeL = place?.sizeL ?? usualSizeL
      const count = containersFor(litresOf(container), sizeL)
      const soFarL = litresOf(done.containers.find((each) => each.stream === stream))
      return {
        ...container,
        place: place?.place ?? null,
        sizeL,
        count,
        soFarL,
        call: soFarL >= callShare * fullestShare * sizeL * count,
        heed: wasteWords[stream as WasteStream] ?? null,
        back:
          records.find((record): record is StoresRecord<'waste'> => record.kind === 'waste' && record.item === stream) ?? null,
      }
    }),
  }
}

/** Liquids and solids together, a gram as a millilitre. */
const litresOf = (one: Pick<WasteForecast, 'liquidML' | 'solidG'> | undefined): number =>
  one ? (one.liquidML + one.solidG) / 1000 : 0
