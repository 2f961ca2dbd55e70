'use client'

import { useState } from 'react'
import { Button } from 'react-bootstrap'
import type { Room } from '@/core/lab/lab'
import { usualStations } from '@/core/plan/stations'
import { wasteStreams, type WasteStream } from '@/core/substance/lists'
import { NumberField, TextField } from '../desk/fields'

interface Props {
  rooms: readonly Room[]
  mayWrite: boolean
  onChange: (rooms: Room[]) => void
}

/** What stands in each room: how many there are of what the groups share, and where each waste goes. Sessions, timetables and benches read it by the name of the room. */
export function Rooms({ rooms, mayWrite, onChange }: Props) {
  const [name, setName] = useState('')
  const put = (at: number, room: Room) => onChange(rooms.map((each, index) => (index === at ? room : each)))
  const known = rooms.some((room) => room.name.trim().toLowerCase() === name.trim().toLowerCase())
  return (
    <>
      <h2 className="section-title">Rooms</h2>
      {rooms.length === 0 && (
        <p className="quiet">No room is described yet: nobody knows how many balances there are, or where waste goes.</p>
      )}
      {rooms.map((room, at) => (
        <section key={room.name} className="apparatus room" aria-label={room.name}>
          <h3>
            {room.name}{' '}
            {mayWrite && (
              <Button variant="quiet" size="sm" onClick={() => onChange(rooms.filter((_each, index) => index !== at))}>
                Take out {room.name}
              </Button>
            )}
          </h3>
          <Shared room={room} onChange={(next) => put(at, next)} mayWrite={mayWrite} />
          <Containers room={room} onChange={(next) => put(at, next)} mayWrite={mayWrite} />
        </section>
      ))}
      {mayWrite && (
        <div className="line-editor">
          <label>
            another room, as sessions name it
            <input
              className="form-control form-control-sm"
              maxLength={80}
              value={name}
              onChange={(event) => setName(event.currentTarget.value)}
            />
          </label>
          <Button
            variant="quiet"
            size="sm"
            disabled={name.trim() === '' || known}
            onClick={() => {
              onChange([...rooms, { name: name.trim(), stations: [], waste: [] }])
              setName('')
            }}
          >
            Add this room
          </Button>
          {known && name.trim() !== '' && <span className="problem">There is a room of that name.</span>}
        </div>
      )}
    </>
  )
}

interface PartProps {
  room: Room
  mayWrite: boolean
  onChange: (room: Room) => void
}

function Shared({ room, mayWrite, onChange }: PartProps) {
  const { stations } = room
  const missing = usualStations.filter((each) => !stations.some(({ name }) => name === each))
  const [own, setOwn] = useState('')
  const add = (name: string) =>
    name.trim() !== '' && onChange({ ...room, stations: [...stations, { name: name.trim(), count: 1 }] })
  return (
    <div className="line-editor" role="group" aria-label={`Shared in ${room.name}`}>
      {stations.map(({ name, count }, at) => (
        <NumberField
          key={name}
          label={name}
          value={count}
          least={-1}
          most={200}
          onNumber={(many) =>
            onChange({
              ...room,
              stations: stations.map((each, index) => (index === at ? { name, count: Math.round(many) } : each)),
            })
          }
        />
      ))}
      {mayWrite && (
        <>
          <label>
            also shared
            <select
              className="form-select form-select-sm"
              aria-label={`also shared in ${room.name}`}
              value=""
              onChange={(event) => add(event.currentTarget.value)}
            >
              <option value="">choose</option>
              {missing.map((each) => (
                <option key={each} value={each}>
                  {each}
                </option>
              ))}
            </select>
          </label>
          <TextField
            label="or by another name"
            value={own}
            onText={(text) => {
              add(text)
              setOwn('')
            }}
          />
        </>
      )}
    </div>
  )
}

function Containers({ room, mayWrite, onChange }: PartProps) {
  const { waste } = room
  const missing = wasteStreams.filter((each) => !waste.some(({ stream }) => stream === each))
  const put = (at: number, part: Partial<Room['waste'][number]>) =>
    onChange({ ...room, waste: waste.map((each, index) => (index === at ? { ...each, ...part } : each)) })
  return (
    <div role="group" aria-label={`Waste in ${room.name}`}>
      {waste.map(({ stream, place, sizeL }, at) => (
        <div className="line-editor" key={stream}>
          <TextField label={`${stream}: stands`} value={place} onText={(text) => put(at, { place: text })} />
          <NumberField label="holds" unit="L" value={sizeL} most={1000} onNumber={(litres) => put(at, { sizeL: litres })} />
          {mayWrite && (
            <Button
              variant="quiet"
              size="sm"
              onClick={() => onChange({ ...room, waste: waste.filter((_each, index) => index !== at) })}
            >
              Take out {stream}
            </Button>
          )}
        </div>
      ))}
      {mayWrite && (
        <label>
          another container
          <select
            className="form-select form-select-sm"
            aria-label={`another container in ${room.name}`}
            value=""
            onChange={(event) => {
              const stream = event.currentTarget.value as WasteStream
              if (stream) onChange({ ...room, waste: [...waste, { stream, place: '', sizeL: 5 }] })
            }}
          >
            <option value="">choose</option>
            {missing.map((each) => (
              <option key={each} value={each}>
                {each}
              </option>
            ))}
          </select>
        </label>
      )}
    </div>
  )
}
