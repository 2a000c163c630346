import { usePantry } from '../../api/queries'
import { Scrubber } from '../../kit/Scrubber'
import { useUnits } from '../../kit/session'
import { Pick } from '../../kit/Pick'
import { capital } from '../../words/en'
import { moveShare, type Choosing } from './wish'

const MOST_KINDS = 3

/** Which bones, in which shares: sliders that keep adding up, and another kind from the larder. */
export function BedMix({ charge, wish, onWish }: Choosing) {
  const larder = usePantry()
  const units = useUnits()
  if (charge.bed.length === 0) return null
  const shares = Object.fromEntries(charge.bed.map((b) => [b.kind, wish.bed[b.kind] ?? b.share]))
  const others = (larder.data?.beds ?? []).filter((b) => !(b.id in shares))
  const set = (next: Record<string, number>) => onWish({ ...wish, bed: next })
  const drop = (kind: string) => {
    const left = Object.fromEntries(Object.entries(shares).filter(([k]) => k !== kind))
    const sum = Object.values(left).reduce((a, b) => a + b, 0)
    set(Object.fromEntries(Object.entries(left).map(([k, v]) => [k, sum > 0 ? v / sum : 1])))
  }
  return (
    <fieldset className="m-0 grid gap-1 border-0 p-0">
      <legend className="text-15 mb-1 p-0 font-semibold">Bed</legend>
      {charge.bed.length > 1 ? (
        charge.bed.map((b) => (
          <div key={b.kind} className="grid grid-cols-[1fr_auto] items-end gap-2">
            <Scrubber
              label={capital(b.name)}
              value={Math.round(shares[b.kind]! * 100)}
              min={0}
              max={100}
              step={5}
              words={`${Math.round(shares[b.kind]! * 100)} %, ${units.kg(b.kg)}`}
              onValue={(percent) => set(moveShare(shares, b.kind, percent / 100))}
              colour="var(--bone-line)"
            />
            <button
              type="button"
              aria-label={`Without ${b.name}`}
              className="text-24 text-quiet grid size-12 place-items-center"
              onClick={() => drop(b.kind)}
            >
              ×
            </button>
          </div>
        ))
      ) : (
        <p className="text-15 m-0">{capital(charge.bed[0]!.name)}</p>
      )}
      {charge.bed.length < MOST_KINDS && (
        <Pick
          look="small"
          className="mt-1 w-full"
          label="Mix in another kind"
          empty="Mix in another kind …"
          value=""
          onValue={(kind) => set(moveShare({ ...shares, [kind]: 0 }, kind, 0.25))}
          options={others.map((kind) => ({ value: kind.id, name: kind.name }))}
        />
      )}
    </fieldset>
  )
}
