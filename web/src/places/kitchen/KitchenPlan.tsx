import type { ReactNode } from 'react'
import { Link } from 'react-router'
import { useStations, type Kitchen } from '../../api/queries'

export const rooms = ['range', 'cold', 'stations', 'rules', 'wires'] as const
export type Room = (typeof rooms)[number]

/** The kitchen as it lies, seen from above: each part of it leads to what can be changed there. */
export function KitchenPlan({ it, room }: { it: Kitchen; room: Room }) {
  const stations = useStations()
  const drawn: Record<Room, [string, string, ReactNode]> = {
    range: [
      'Pots, burners, ovens',
      `${it.vessels.length} pots, ${it.burners.length} burners, ${it.ovens.length} ovens`,
      <Range key="range" burners={it.burners.length} ovens={it.ovens.length} />,
    ],
    cold: [
      'Baths and stores',
      `${it.chillers.length} to cool in, ${it.containers.length} kinds of container`,
      <Cold key="cold" chillers={it.chillers.length} />,
    ],
    stations: [
      'Stations and people',
      stations.data?.map((station) => station.name).join(', ') || 'no station yet',
      <Pass key="stations" stations={stations.data?.length ?? 0} />,
    ],
    rules: ['Limits and beds', it.limits.name, <Rules key="rules" />],
    wires: ['Probes and programs', 'what reports and who asks', <Wires key="wires" />],
  }
  return (
    <nav
      aria-label="The kitchen from above"
      className="border-ink mb-7 grid border-4 md:grid-cols-[minmax(0,1.7fr)_minmax(0,1.2fr)_minmax(0,1.2fr)_minmax(0,1fr)_minmax(0,1fr)]"
    >
      {rooms.map((each) => {
        const [name, says, picture] = drawn[each]
        const here = each === room
        return (
          <Link
            key={each}
            to={`?room=${each}`}
            replace
            aria-current={here ? 'true' : undefined}
            className={`border-ink text-ink grid grid-cols-[1fr_auto] items-end gap-x-3 px-3 pt-2 pb-2 no-underline not-first:border-t-2 md:min-h-[118px] md:grid-cols-1 md:grid-rows-[1fr_auto] md:not-first:border-t-0 md:not-first:border-l-2 ${here ? 'bg-sunken' : ''}`}
          >
            <span className="order-2 md:order-1">{picture}</span>
            <span className="order-1 md:order-2">
              <b
                className={`text-15 block font-semibold ${here ? 'decoration-river underline decoration-4 underline-offset-4' : ''}`}
              >
                {name}
              </b>
              <span className="text-13 text-quiet block truncate">{says}</span>
            </span>
          </Link>
        )
      })}
    </nav>
  )
}

const line = { fill: 'none', stroke: 'currentColor', strokeWidth: 2 }

function Plan({ width, children }: { width: number; children: ReactNode }) {
  return (
    <svg viewBox={`0 0 ${width} 48`} width={width} height="48" className="max-w-full" aria-hidden>
      {children}
    </svg>
  )
}

function Range({ burners, ovens }: { burners: number; ovens: number }) {
  const shown = Math.min(burners, 8)
  return (
    <Plan width={shown * 30 + Math.min(ovens, 3) * 44 + 8}>
      {Array.from({ length: shown }, (_, i) => (
        <g key={i}>
          <circle cx={16 + i * 30} cy={24} r={12} {...line} />
          <circle cx={16 + i * 30} cy={24} r={5} {...line} />
        </g>
      ))}
      {Array.from({ length: Math.min(ovens, 3) }, (_, i) => (
        <path key={i} d={`M${shown * 30 + 8 + i * 44} 10h36v28h-36z m0 22h36`} {...line} />
      ))}
    </Plan>
  )
}

function Cold({ chillers }: { chillers: number }) {
  return (
    <Plan width={Math.min(chillers, 4) * 48 + 4}>
      {Array.from({ length: Math.min(chillers, 4) }, (_, i) => (
        <g key={i}>
          <path d={`M${2 + i * 48} 10h40v28h-40z`} {...line} />
          <path
            d={i === 0 ? `M6 20q5 -4 9 0t9 0t9 0t9 0` : `M${2 + i * 48} 19h40m-40 10h40`}
            {...line}
            stroke="var(--frost)"
          />
        </g>
      ))}
    </Plan>
  )
}

function Pass({ stations }: { stations: number }) {
  const shown = Math.max(1, Math.min(stations, 5))
  return (
    <Plan width={shown * 34 + 6}>
      <path d={`M2 34h${shown * 34}`} {...line} strokeWidth={4} />
      {Array.from({ length: shown }, (_, i) => (
        <path key={i} d={`M${8 + i * 34} 30v-10h20v10`} {...line} />
      ))}
    </Plan>
  )
}

function Rules() {
  return (
    <Plan width={92}>
      <path d="M4 8l24 18v14h-24z" fill="var(--frost)" fillOpacity={0.3} />
      <path d="M4 8l24 18M28 14v26M46 12h40M46 22h40M46 32h28" {...line} />
    </Plan>
  )
}

function Wires() {
  return (
    <Plan width={92}>
      <path d="M8 6v22a6 6 0 1 0 6 0V6z M14 10h16q12 0 12 12t12 12h8" {...line} />
      <path d="M66 24h20v20h-20z" {...line} />
    </Plan>
  )
}
