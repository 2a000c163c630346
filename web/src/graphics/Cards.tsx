import { ladleName, setName, shadeName } from '../words/en'

interface Props {
  value?: number
  onValue: (value: number) => void
  /** Where it should be; marked on the card. */
  target?: number
}

/** Roast shades from raw to black, as they are printed on the kitchen's card. */
const SHADES = ['#e9c9b8', '#e3bf94', '#d3a567', '#b57f44', '#8f5628', '#663a1c', '#3d2416', '#1d1412']

/** Eight swatches, held against the tray. */
export function ShadeCard({ value, onValue, target }: Props) {
  return (
    <Card
      label="Shade card"
      names={shadeName}
      value={value}
      target={target}
      onValue={onValue}
      draw={(i) => <rect x="0" y="0" width="64" height="44" fill={SHADES[i]} />}
    />
  )
}

/** A spoonful on a cold plate that is tilted: from running off to standing as a cut block. */
export function SetCard({ value, onValue, target }: Props) {
  const shapes = [
    'M8 14c10 4 36 12 50 20l-2 4C40 30 18 24 6 20z',
    'M8 14c10 2 26 8 34 14 4 4-2 8-8 6C24 30 12 24 6 20z',
    'M10 12c12 0 26 6 30 14 2 6-6 8-14 6C16 30 8 22 10 12z',
    'M12 10c14-2 26 4 28 12 0 8-10 10-18 8C12 28 8 18 12 10z',
    'M14 8l26 6-4 18-26-6z',
  ]
  return (
    <Card
      label="Set card"
      names={setName}
      value={value}
      target={target}
      onValue={onValue}
      draw={(i) => (
        <>
          <path
            d="M2 10l60 26"
            stroke="var(--steel)"
            strokeWidth="3"
            strokeLinecap="round"
            transform="translate(0 6)"
          />
          <path d={shapes[i]} fill="var(--straw-deep)" opacity={0.55 + i * 0.1} />
        </>
      )}
    />
  )
}

/** A ladleful against the light: how much of the mark on its bottom is seen. */
export function LadleCard({ value, onValue, target }: Props) {
  return (
    <Card
      label="Ladle card"
      names={ladleName}
      value={value}
      target={target}
      onValue={onValue}
      draw={(i) => (
        <>
          <circle cx="32" cy="22" r="19" fill="var(--straw-pale)" stroke="var(--ink)" strokeWidth="2" />
          <path d="M24 22h16M32 14v16" stroke="var(--ink)" strokeWidth="4" opacity={i / 4} />
          <circle cx="32" cy="22" r="18" fill="var(--straw-deep)" opacity={0.75 - i * 0.17} />
        </>
      )}
    />
  )
}

function Card({
  label,
  names,
  value,
  target,
  onValue,
  draw,
}: Props & { label: string; names: string[]; draw: (i: number) => React.ReactNode }) {
  return (
    <div
      role="radiogroup"
      aria-label={label}
      className="grid grid-cols-[repeat(auto-fill,minmax(84px,1fr))] gap-2"
    >
      {names.map((name, i) => {
        const place = i + 1
        // The first place that is not short of it; where it lies between two, its figure stands there as it does on the button.
        const wanted = target !== undefined && Math.ceil(target) === place
        return (
          <button
            key={name}
            type="button"
            role="radio"
            aria-checked={value === place}
            onClick={() => onValue(place)}
            className="border-rule bg-raised text-13 aria-checked:border-ink grid min-h-[88px] justify-items-center gap-1 rounded-md border-2 p-1 pt-2 aria-checked:border-4 aria-checked:font-semibold"
          >
            <svg viewBox="0 0 64 44" width="64" height="44" aria-hidden>
              {draw(i)}
            </svg>
            <span>
              {place} {name}
            </span>
            {wanted && (
              <span className="text-river font-semibold">wanted{target !== place && ` ${target}`}</span>
            )}
          </button>
        )
      })}
    </div>
  )
}
