import { useState } from 'react'
import { fetchFile } from '../../api/files'
import type { ChargeRequest } from '../../api/queries'
import { Button } from '../../kit/Button'
import { Note } from '../../kit/Note'

/** The charge to take along: a sheet for the wall, a table, the formula's own files. */
export function ChargePapers({ request, slug }: { request: ChargeRequest; slug: string }) {
  const [problem, setProblem] = useState<string>()
  const take = (path: Parameters<typeof fetchFile>[0], name: string) => {
    setProblem(undefined)
    fetchFile(path, request, name).catch((error: Error) => setProblem(error.message))
  }
  return (
    <section aria-label="Papers" className="grid gap-2">
      <div className="flex flex-wrap gap-2">
        <Button onClick={() => take('/api/charges/sheet.pdf', `${slug}.pdf`)}>Production sheet</Button>
        <Button onClick={() => take('/api/charges/table.csv', `${slug}.csv`)}>Table</Button>
      </div>
      <p className="text-15 text-quiet m-0">
        The formula as <a href={`/api/formulas/${slug}/file.json`}>a file</a> or{' '}
        <a href={`/api/formulas/${slug}/recipe.jsonld`}>a recipe</a>; a recipe loses its ratios.
      </p>
      {problem && <Note>{problem}</Note>}
    </section>
  )
}
