'use client'

import { DndContext, MouseSensor, TouchSensor, closestCenter, useSensor, useSensors } from '@dnd-kit/core'
import { SortableContext, verticalListSortingStrategy } from '@dnd-kit/sortable'
import type { ReactNode } from 'react'

interface Props {
  ids: string[]
  /** A row was dropped at another place, counted from 0. */
  onMove: (id: string, to: number) => void
  children: ReactNode
}

/** Rows that are put in another order by mouse, or by a finger that rests a moment on the time of one: beside it the page is scrolled as ever. The keyboard has its own way (Alt and an arrow). */
export function SortableSteps({ ids, onMove, children }: Props) {
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: 4 } }),
    useSensor(TouchSensor, { activationConstraint: { delay: 200, tolerance: 8 } }),
  )
  return (
    <DndContext
      id="steps"
      sensors={sensors}
      collisionDetection={closestCenter}
      accessibility={{ restoreFocus: false }}
      onDragEnd={({ active, over }) => over && active.id !== over.id && onMove(String(active.id), ids.indexOf(String(over.id)))}
    >
      <SortableContext items={ids} strategy={verticalListSortingStrategy}>
        {children}
      </SortableContext>
    </DndContext>
  )
}
