'use client'

import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { call } from '../call'
import { FileOpen, type Around, type FileShown } from './FileOpen'
import { PrintedReport } from './PrintedReport'

/** What instruments gave of a group's own samples, days later: the group reads its spectra itself, and types in what it has on paper. */
export function OurFiles({ run, files, around }: { run: string; files: FileShown[]; around: Around }) {
  const router = useRouter()
  const [problem, setProblem] = useState<string>()
  const add = async (text: string) => {
    setProblem(undefined)
    try {
      await call(`/api/runs/${run}/reports`, 'POST', { text })
      router.refresh()
    } catch (error) {
      setProblem((error as Error).message)
    }
  }
  if (files.length === 0 && around.step === null) return null
  return (
    <section aria-label="What the instruments gave" className="our-files">
      <h2>What the instruments gave</h2>
      {files.length === 0 && <p className="quiet">Nothing has come back yet for the vials of this bench.</p>}
      {files.map((file) => (
        <FileOpen key={file.id} file={file} around={around} />
      ))}
      {problem && (
        <p className="problem" role="alert">
          {problem}
        </p>
      )}
      {around.says !== null && (
        <PrintedReport label="Type in a printed report" onTable={(_peaks, text) => void add(text)} onBack={null} />
      )}
    </section>
  )
}
