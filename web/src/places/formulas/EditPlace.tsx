import { useMemo, useState } from 'react'
import { Link, useNavigate, useParams, useSearchParams } from 'react-router'
import { api, data, type Problem, type Schemas } from '../../api/client'
import { useChange, useFormula, type FormulaJson, type FormulaView } from '../../api/queries'
import { Button } from '../../kit/Button'
import { useDraft } from '../../kit/draft'
import { Failed, Heading, Loading, Note } from '../../kit/Note'
import { useMay, useTimes } from '../../kit/session'
import { TextField } from '../../kit/TextField'
import { DraftPot } from './DraftPot'
import { differences } from './differences'
import { FormulaForm } from './FormulaForm'

/** A formula being written, with the pot that it makes beside it. */
export default function EditPlace() {
  const { slug = '' } = useParams()
  const [params] = useSearchParams()
  const version = params.has('version') ? Number(params.get('version')) : undefined
  const formula = useFormula(slug, version)
  if (formula.isPending) return <Loading what="the formula" />
  if (!formula.data)
    return <Failed what="The formula" error={formula.error} onRetry={() => void formula.refetch()} />
  return <Editor key={`${slug} ${formula.data.formula.version}`} view={formula.data} />
}

function Editor({ view }: { view: FormulaView }) {
  const may = useMay()
  const navigate = useNavigate()
  const [draft, setDraft, forget] = useDraft<FormulaJson>(
    `formula ${view.formula.slug} ${view.formula.version}`,
    () => view.formula,
  )
  const [note, setNote] = useState('')
  const [copyOpen, setCopyOpen] = useState(false)
  const latest = view.versions[0]?.version ?? view.formula.version
  const old = view.formula.version !== latest
  const changes = useMemo(() => differences(view.formula, draft), [view, draft])
  const slug = view.formula.slug
  const save = useChange(
    () =>
      data(
        api.PUT('/api/formulas/{slug}', {
          params: { path: { slug } },
          body: { formula: draft, basedOn: view.formula.version, note },
        }),
      ),
    'formulas',
    'menu',
    'charge',
  )
  const editable = may('SET_UP') && !old
  return (
    <>
      <div className="mb-4 flex flex-wrap items-baseline justify-between gap-x-8 gap-y-1">
        <h1 className="text-24 m-0 font-bold">
          {view.formula.name}
          <span className="text-quiet font-normal">
            {' '}
            version {view.formula.version}
            {view.retired && ', retired'}
          </span>
        </h1>
        <p className="text-15 m-0 flex gap-5">
          {old && <Link to={`/formulas/${slug}/edit`}>The latest, version {latest}</Link>}
          {!view.retired && <Link to={`/formulas/${slug}`}>Into a pot</Link>}
        </p>
      </div>
      <div className="grid gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,1fr)_minmax(0,400px)]">
        <FormulaForm
          formula={draft}
          onFormula={setDraft}
          problem={save.error ?? undefined}
          readOnly={!editable}
        />
        <div className="grid content-start gap-6 lg:sticky lg:top-16 lg:self-start">
          <DraftPot draft={draft} />
          {editable && (
            <section className="grid gap-3">
              <Heading aside={changes.length ? `${changes.length} changed` : 'nothing changed yet'}>
                Save as version {latest + 1}
              </Heading>
              <ChangeList changes={changes} />
              <TextField label="Why" value={note} onValue={setNote} maxLength={300} />
              <SaveProblem problem={save.error ?? undefined} />
              <Button
                tone="act"
                large
                disabled={changes.length === 0 || save.isPending}
                onClick={() => save.mutate(undefined, { onSuccess: forget })}
              >
                Save
              </Button>
              {changes.length > 0 && (
                <Button
                  tone="quiet"
                  onClick={() => {
                    setDraft(view.formula)
                    forget()
                  }}
                >
                  Back to version {view.formula.version}
                </Button>
              )}
            </section>
          )}
          {may('SET_UP') && (
            <div className="flex flex-wrap gap-2">
              <Button onClick={() => setCopyOpen(!copyOpen)}>Copy</Button>
              <Retire slug={slug} retired={view.retired} />
            </div>
          )}
          {copyOpen && (
            <CopyForm formula={draft} onDone={(made) => void navigate(`/formulas/${made}/edit`)} />
          )}
          <Versions view={view} />
        </div>
      </div>
    </>
  )
}

function ChangeList({ changes }: { changes: ReturnType<typeof differences> }) {
  if (changes.length === 0) return null
  return (
    <table className="text-13 w-full">
      <tbody>
        {changes.slice(0, 12).map((change) => (
          <tr key={change.where} className="border-rule border-t align-top">
            <th scope="row" className="py-1 pr-2 text-left font-normal">
              {change.where}
            </th>
            <td className="text-quiet py-1 pr-2 text-right line-through">{change.before}</td>
            <td className="py-1 text-right font-semibold">{change.after}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}

/** What stands beside its own field is not said twice. */
function SaveProblem({ problem }: { problem?: Problem }) {
  if (!problem) return null
  const others = Object.entries(problem.fields).filter(([field]) => !/^(procedure|parts|bed)\[/.test(field))
  return (
    <Note>
      {others.length
        ? others.map(([field, why]) => (
            <p key={field} className="m-0">
              <b className="font-semibold">{field}</b>: {why.reason}
            </p>
          ))
        : problem.message}
    </Note>
  )
}

function Retire({ slug, retired }: { slug: string; retired: boolean }) {
  const retire = useChange(
    (to: boolean) =>
      api.POST('/api/formulas/{slug}/retirement', { params: { path: { slug } }, body: { retired: to } }),
    'formulas',
    'menu',
  )
  return (
    <Button disabled={retire.isPending} onClick={() => retire.mutate(!retired)}>
      {retired ? 'Back on the shelf' : 'Retire'}
    </Button>
  )
}

function CopyForm({ formula, onDone }: { formula: FormulaJson; onDone: (slug: string) => void }) {
  const [name, setName] = useState(`${formula.name}, ours`)
  const slug = name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 60)
  const copy = useChange(
    () =>
      data(
        api.POST('/api/formulas', {
          body: { formula: { ...formula, slug, name }, note: `Copied from ${formula.name}` },
        }),
      ),
    'formulas',
    'menu',
  )
  return (
    <div className="grid gap-3">
      <TextField
        label="Name of the copy"
        value={name}
        onValue={setName}
        problem={copy.error?.fields.name ?? copy.error?.fields.slug}
        hint={slug}
      />
      <Button
        tone="act"
        disabled={slug.length < 2 || copy.isPending}
        onClick={() => copy.mutate(undefined, { onSuccess: () => onDone(slug) })}
      >
        Make the copy
      </Button>
    </div>
  )
}

/** Every version with who, when and why; an old one can be looked at, set against the latest, and brought back. */
function Versions({ view }: { view: FormulaView }) {
  const may = useMay()
  const { day } = useTimes()
  const slug = view.formula.slug
  const [against, setAgainst] = useState<number>()
  const latest = view.versions[0]?.version
  const restore = useChange(
    (version: number) =>
      data(api.POST('/api/formulas/{slug}/restoration', { params: { path: { slug } }, body: { version } })),
    'formulas',
    'charge',
  )
  return (
    <section>
      <Heading>Versions</Heading>
      <ol className="m-0 list-none p-0" reversed>
        {view.versions.map((v: Schemas['VersionView']) => (
          <li key={v.version} className="border-rule text-15 border-t py-2">
            <div className="flex flex-wrap items-baseline justify-between gap-x-4">
              <span>
                <b className="font-semibold">{v.version}</b>{' '}
                {v.savedAt ? `${day(v.savedAt)}, ${v.savedBy ?? ''}` : 'from the book'}
              </span>
              {v.version !== latest && (
                <span className="flex gap-4">
                  <Link to={`/formulas/${slug}/edit?version=${v.version}`}>Look</Link>
                  <button
                    type="button"
                    className="text-river underline underline-offset-[3px]"
                    aria-expanded={against === v.version}
                    onClick={() => setAgainst(against === v.version ? undefined : v.version)}
                  >
                    What changed since
                  </button>
                  {may('SET_UP') && (
                    <button
                      type="button"
                      className="text-river underline underline-offset-[3px]"
                      disabled={restore.isPending}
                      onClick={() => restore.mutate(v.version)}
                    >
                      Bring back
                    </button>
                  )}
                </span>
              )}
            </div>
            {v.note && <span className="text-quiet">{v.note}</span>}
            {against === v.version && <Since slug={slug} version={v.version} />}
          </li>
        ))}
      </ol>
    </section>
  )
}

function Since({ slug, version }: { slug: string; version: number }) {
  const old = useFormula(slug, version)
  const now = useFormula(slug)
  if (!old.data || !now.data) return <Loading what="both versions" />
  return <ChangeList changes={differences(old.data.formula, now.data.formula)} />
}
