import { PlanFileError, readPlanFile } from '@/core/format/planFile'
import type { Plan } from '@/core/plan/plan'
import { Draft, Revision } from '@/data/models'
import { withGraver } from '@/reference/graver'

/** A stored document that cannot be read. It takes nothing down but what is made of it: lists show it as a row that says so. */
export class UnreadableDocument extends Error {
  override name = 'UnreadableDocument'

  constructor(
    readonly id: string,
    readonly title: string,
    readonly isDraft: boolean,
    reason: string,
  ) {
    super(reason)
  }
}

const mostKept = 200
/** Plans of published revisions: their bytes never change, so each is read once for each process. */
const frozen = new Map<string, Plan>()

/** The plan in a row; a published one with the hazards known today. What cannot be read is marked on the row, so that lists can say so without reading it. @throws UnreadableDocument */
export async function readDocument(row: Revision | Draft): Promise<Plan> {
  const isDraft = row instanceof Draft
  const known = isDraft ? undefined : frozen.get(row.id)
  if (known) return known
  try {
    const read = readPlanFile(row.plan)
    if (isDraft) return read
    // What is frozen is read with the hazards that its records have gained since: no page, label or sheet has to think of it.
    const { plan } = withGraver(read)
    keep(row.id, plan)
    return plan
  } catch (error) {
    if (!(error instanceof PlanFileError)) throw error
    const fault = error.message.slice(0, 500)
    const where = { id: row.id }
    if (row.fault !== fault) await (isDraft ? Draft.update({ fault }, { where }) : Revision.update({ fault }, { where }))
    throw new UnreadableDocument(row.id, row.title, isDraft, fault)
  }
}

/** The plan of a published revision by its id, without asking the database for one that was read before. @throws UnreadableDocument */
export async function planOfRevision(id: string): Promise<Plan> {
  return frozen.get(id) ?? readDocument(await Revision.findByPk(id, { rejectOnEmpty: true }))
}

function keep(id: string, plan: Plan): void {
  if (frozen.size >= mostKept) frozen.delete(frozen.keys().next().value!)
  frozen.set(id, plan)
}
