import { useState } from 'react'
import { useNavigate } from 'react-router'
import { api, data, type Schemas } from '../../api/client'
import { useChange } from '../../api/queries'
import { Button } from '../../kit/Button'
import { FileField, FileRefused } from '../../kit/FileField'
import { Note } from '../../kit/Note'
import { Sheet } from '../../kit/Sheet'
import { TextField } from '../../kit/TextField'
import { familyName, type Family } from '../../words/en'

/** A formula from a file, looked at before it is stored. */
export function ReadFileSheet({ onClose }: { onClose: () => void }) {
  const navigate = useNavigate()
  const [read, setRead] = useState<Schemas['Imported']>()
  const [slug, setSlug] = useState('')
  const reading = useChange(async (file: File) => {
    const imported = await data(
      api.POST('/api/formulas/reading', {
        body: file as unknown as string,
        bodySerializer: (body) => body,
        headers: { 'Content-Type': 'application/octet-stream' },
      }),
    )
    setRead(imported)
    setSlug(imported.formula.slug)
    return imported
  })
  const saving = useChange(
    () =>
      data(
        api.POST('/api/formulas', {
          body: { formula: { ...read!.formula, slug }, note: 'Read from a file' },
        }),
      ),
    'formulas',
    'menu',
  )
  return (
    <Sheet title="Read a file" open onClose={onClose}>
      <div className="grid gap-5">
        <p className="text-15 text-quiet m-0">
          A formula file of Potamos, or a recipe in JSON-LD. It is looked at first; nothing is stored until
          you say so.
        </p>
        <FileField
          accept=".json,.jsonld,application/json,application/ld+json"
          onFile={(file) => {
            setRead(undefined)
            reading.mutate(file)
          }}
        />
        <FileRefused problem={reading.error} />
        {read && (
          <>
            <p className="text-18 m-0">
              <b className="font-semibold">{read.formula.name}</b>,{' '}
              {familyName[read.formula.family.toUpperCase().replace('-', '_') as Family].toLowerCase()}:{' '}
              {read.formula.bed.map((b) => b.name ?? b.kind).join(', ')}, {read.formula.parts.length} parts,{' '}
              {read.formula.procedure.length} phases.
            </p>
            {read.lost.length > 0 && (
              <Note>
                <b className="font-semibold">Not kept of this recipe:</b>
                <ul className="m-0 pl-5">
                  {read.lost.map((line) => (
                    <li key={line}>{line}</li>
                  ))}
                </ul>
              </Note>
            )}
            <TextField
              label="Short name"
              value={slug}
              onValue={setSlug}
              problem={saving.error?.fields.slug}
              required
            />
            {saving.error && !saving.error.fields.slug && <Note>{saving.error.message}</Note>}
            <Button
              tone="act"
              large
              disabled={saving.isPending || !slug}
              onClick={() =>
                saving.mutate(undefined, {
                  onSuccess: (saved) => void navigate(`/formulas/${saved.formula.slug}`),
                })
              }
            >
              Put it on the shelf
            </Button>
          </>
        )}
      </div>
    </Sheet>
  )
}
