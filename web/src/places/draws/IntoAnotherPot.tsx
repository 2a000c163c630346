import { useState } from 'react'
import { Link } from 'react-router'
import { useShelf } from '../../api/queries'
import { Button } from '../../kit/Button'
import { Failed, Loading } from '../../kit/Note'
import { Scrubber } from '../../kit/Scrubber'
import { Sheet } from '../../kit/Sheet'
import { useMay, useUnits } from '../../kit/session'
import { STEP_L } from './SourceList'

/** Half of it into a reduction: how much of a stock goes on into which pot, decided in one place; the charge of that pot opens with it. */
export function IntoAnotherPot({
  source,
  litres,
  colour,
}: {
  /** A lot, or a batch of which not all is put away. */
  source: string
  litres: number
  colour: string
}) {
  const may = useMay()
  const units = useUnits()
  const [asked, setAsked] = useState(false)
  const [drawn, setDrawn] = useState<number>()
  const shelf = useShelf()
  if (!may('PLAN') || litres < STEP_L) return null
  const chosen = Math.min(drawn ?? Math.round((litres / 2) * 10) / 10, litres)
  const to = (slug: string, ofStock: boolean) =>
    `/formulas/${slug}?${ofStock ? `goal=WATER&value=${chosen}&` : ''}draw=${source}:${chosen}&start=now`
  const used = (shelf.data ?? []).filter((formula) => !formula.retired)
  const reductions = used.filter((formula) => formula.bed.length === 0)
  const others = used.filter((formula) => formula.bed.length > 0)
  return (
    <>
      <Button className="justify-self-start" onClick={() => setAsked(true)}>
        Into another pot
      </Button>
      <Sheet title="Into another pot" open={asked} onClose={() => setAsked(false)}>
        {shelf.isPending ? (
          <Loading what="the formulas" />
        ) : !shelf.data ? (
          <Failed what="The formulas" error={shelf.error} onRetry={() => void shelf.refetch()} />
        ) : (
          <div className="grid gap-5">
            <Scrubber
              label="Drawn off"
              value={chosen}
              min={STEP_L}
              max={litres}
              step={STEP_L}
              words={`${units.litres(chosen)} of ${units.litres(litres)}`}
              onValue={setDrawn}
              colour={colour}
            />
            <Into name="Reduced" formulas={reductions} to={(slug) => to(slug, true)} />
            <Into name="In the place of water" formulas={others} to={(slug) => to(slug, false)} />
          </div>
        )}
      </Sheet>
    </>
  )
}

function Into({
  name,
  formulas,
  to,
}: {
  name: string
  formulas: { slug: string; name: string }[]
  to: (slug: string) => string
}) {
  if (formulas.length === 0) return null
  return (
    <section aria-label={name}>
      <h3 className="text-15 m-0 mb-1 font-semibold">{name}</h3>
      <ul className="m-0 list-none p-0">
        {formulas.map((formula) => (
          <li key={formula.slug} className="border-rule border-t">
            <Link to={to(formula.slug)} className="text-18 flex min-h-[48px] items-center font-semibold">
              {formula.name}
            </Link>
          </li>
        ))}
      </ul>
    </section>
  )
}
