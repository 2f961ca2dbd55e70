import { calendarOf } from './calendar'

const session = {
  id: '01J0000000000000000000000A',
  title: 'Acetanilide',
  section: 'Section A',
  course: 'Organic laboratory I',
  room: 'North lab',
  startsAt: '2026-12-01T13:30:00.000Z',
  endsAt: '2026-12-01T17:30:00.000Z',
  cancelled: false,
}

test('a session with its times in UTC, its room, and an id that stays', () => {
  const text = calendarOf([session], 'Organic laboratory I')
  for (const line of [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'UID:01J0000000000000000000000A@mozle',
    'DTSTART:20261201T133000Z',
    'DTEND:20261201T173000Z',
    'LOCATION:North lab',
    'STATUS:CONFIRMED',
    'END:VCALENDAR',
  ])
    expect(text.split('\r\n')).toContain(line)
  expect(text).toContain('SUMMARY:Acetanilide\\, Section A')
})

test('what is not held says so, and an empty calendar is one', () => {
  expect(calendarOf([{ ...session, cancelled: true }], 'x')).toContain('STATUS:CANCELLED')
  expect(calendarOf([], 'x')).toContain('END:VCALENDAR')
})
