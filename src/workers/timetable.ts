import { expose } from 'comlink'
import { outlook, type Outlook, type OutlookAsked } from '@/core/timetable/outlook'

/** Some thousand classes off the page, so that typing and dragging never wait; `progress` is told how far it is, 0 to 1. */
const timetable = {
  run: (asked: OutlookAsked, progress: (share: number) => void): Outlook => outlook(asked, progress),
}

export type TimetableWorker = typeof timetable

expose(timetable)
