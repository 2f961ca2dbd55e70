'use client'

import { useState, type DragEvent } from 'react'
import { Button } from 'react-bootstrap'

const kinds = '.txt,.md,.markdown,.html,.htm,.docx,.pdf,.csv,.tsv,.rxn,.rdf,.rd,.sdf,.mol,text/plain,text/html,application/pdf'

/** Where a text is pasted, or a file dropped. */
export function Paste({
  text,
  busy,
  problem,
  onText,
  onRead,
  onFile,
}: {
  text: string
  /** What goes on, with how far it is. */
  busy: { words: string; share?: number } | undefined
  problem: string | undefined
  onText: (text: string) => void
  onRead: () => void
  onFile: (file: File) => void
}) {
  const [over, setOver] = useState(false)
  const drop = (event: DragEvent) => {
    event.preventDefault()
    setOver(false)
    const file = event.dataTransfer.files[0]
    if (file) onFile(file)
  }
  return (
    <form
      className={`paste${over ? ' over' : ''}`}
      onSubmit={(event) => {
        event.preventDefault()
        onRead()
      }}
      onDragOver={(event) => {
        event.preventDefault()
        setOver(true)
      }}
      onDragLeave={() => setOver(false)}
      onDrop={drop}
    >
      <label htmlFor="handout">Text of a handout, of a paper, or a table of reagents</label>
      <textarea
        id="handout"
        className="form-control"
        rows={14}
        value={text}
        autoFocus
        spellCheck={false}
        aria-describedby="paste-help"
        onChange={(event) => onText(event.currentTarget.value)}
        onKeyDown={(event) => {
          if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) {
            event.preventDefault()
            onRead()
          }
        }}
      />
      <p id="paste-help" className="quiet">
        Or drop a .txt, .md, .html, .docx or .pdf file here, rows of a spreadsheet (.csv, .tsv), or structures (.rxn, .rdf, .sdf;
        reaction SMILES can be pasted). It is read on this machine; nothing is kept before you take it. Ctrl and Enter read.
      </p>
      {problem && (
        <div className="problem" role="alert">
          {problem}
        </div>
      )}
      <div className="acts">
        <Button type="submit" disabled={busy !== undefined}>
          Read it
        </Button>
        <label className="from-file">
          <span>From a file</span>
          <input
            type="file"
            accept={kinds}
            className="form-control form-control-sm"
            onChange={(event) => {
              const field = event.currentTarget
              const file = field.files?.[0]
              if (file) onFile(file)
              field.value = ''
            }}
          />
        </label>
        {busy && (
          <span role="status">
            {busy.words} {busy.share !== undefined && <progress value={busy.share} max={1} aria-label={busy.words} />}
          </span>
        )}
      </div>
    </form>
  )
}
