import { QueryTypes } from 'sequelize'
import { database } from '@/data/connect'
import { dayIn } from './settingOut'
import { storesRecords } from './stores'

export interface WasteOfYear {
  day: string
  title: string
  room: string
  stream: string
  litres: number
  note: string
  by: string
}

/** What came back of the waste of each session that began in a span of time: the newest figure of each container. */
export async function wasteOfYear(course: string, span: { from: Date; to: Date }): Promise<WasteOfYear[]> {
  const sessions = await database().query<{
    id: string
    title: string
    section: string
    room: string
    startsAt: Date | string
    zone: string
  }>(
    `SELECT DISTINCT l.id, r.title, s.name AS section, l.room, l.starts_at AS startsAt, c.zone
     FROM stores_record w JOIN lab_session l ON l.id = w.session JOIN section s ON s.id = l.section JOIN course c ON c.id = s.course
       JOIN revision r ON r.id = l.revision
     WHERE w.course = :course AND w.kind = 'waste' AND l.starts_at >= :from AND l.starts_at < :to ORDER BY l.starts_at`,
    {
      replacements: { course, ...span },
      type: QueryTypes.SELECT,
    },
  )
  const rows: WasteOfYear[] = []
  for (const { id, title, section, room, startsAt, zone } of sessions)
    for (const record of await storesRecords(id))
      if (record.kind === 'waste' && 'litres' in record.body)
        rows.push({
          day: dayIn({ startsAt: new Date(startsAt).toISOString(), zone }),
          title: `${title}, ${section}`,
          room,
          stream: record.item,
          litres: record.body.litres,
          note: record.body.note,
          by: record.by,
        })
  return rows
}
