import { sankey, sankeyLinkHorizontal } from 'd3-sankey'
import { causeName, type Cause } from '../words/en'

export interface LedgerEntry {
  cause: Cause
  litres: number
  inward: boolean
}

interface Props {
  entries: LedgerEntry[]
  yieldL: number
  unexplainedL: number
  litres: (value: number) => string
  colour: string
  /** What the yield is called: measured, expected by a plan, or what there would be if it were strained now. */
  yieldName: string
}

interface Node {
  id: string
  label: string
  tone: string
}

const WIDTH = 640
const HEIGHT = 250

const tones: Record<string, string> = {
  WATER: 'var(--water)',
  TOP_UP: 'var(--water)',
  EVAPORATED: 'var(--rule)',
  UNEXPLAINED: 'var(--ember)',
}

/** Where every litre went: in on the left, out through its mouths on the right, as thick as there was of it. */
export function Mouths({ entries, yieldL, unexplainedL, litres, colour, yieldName }: Props) {
  const flows = entries.filter((entry) => entry.litres > 0.02)
  const more = Math.abs(unexplainedL) > 0.02
  const nodes: Node[] = [{ id: 'pot', label: '', tone: colour }]
  const links: { source: string; target: string; value: number; tone: string }[] = []
  const add = (cause: Cause, value: number, inward: boolean) => {
    const tone = cause === 'YIELD' ? colour : (tones[cause] ?? 'var(--steel)')
    nodes.push({ id: cause, label: `${name(cause, yieldName)} ${litres(value)}`, tone })
    links.push(
      inward ? { source: cause, target: 'pot', value, tone } : { source: 'pot', target: cause, value, tone },
    )
  }
  flows.forEach((entry) => add(entry.cause, entry.litres, entry.inward))
  if (yieldL > 0.02) add('YIELD', yieldL, false)
  if (more) add('UNEXPLAINED', Math.abs(unexplainedL), unexplainedL < 0)

  const graph = sankey<Node, { tone: string }>()
    .nodeId((node) => node.id)
    .nodeWidth(6)
    .nodePadding(18)
    .nodeSort(null)
    .extent([
      [176, 16],
      [WIDTH - 176, HEIGHT - 16],
    ])({ nodes: nodes.map((n) => ({ ...n })), links: links.map((l) => ({ ...l })) })
  const path = sankeyLinkHorizontal()

  return (
    <figure className="m-0">
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className="block h-auto w-full"
        role="img"
        aria-label={`Ledger of litres: ${nodes
          .filter((n) => n.label)
          .map((n) => n.label)
          .join(', ')}`}
      >
        {graph.links.map((link, i) => (
          <path
            key={i}
            d={path(link) ?? ''}
            fill="none"
            stroke={link.tone}
            strokeWidth={Math.max(1, link.width ?? 1)}
            opacity={0.85}
          />
        ))}
        {graph.nodes.map((node) => {
          const left = (node.sourceLinks?.length ?? 0) > 0 && node.id !== 'pot'
          const middle = ((node.y0 ?? 0) + (node.y1 ?? 0)) / 2
          return (
            <g key={node.id}>
              <rect
                x={node.x0}
                y={node.y0}
                width={6}
                height={Math.max(1, (node.y1 ?? 0) - (node.y0 ?? 0))}
                fill="var(--ink)"
              />
              <text
                x={left ? (node.x0 ?? 0) - 8 : (node.x1 ?? 0) + 8}
                y={middle + 5}
                textAnchor={left ? 'end' : 'start'}
                fontSize={15}
                fontWeight={node.id === 'YIELD' ? 750 : 400}
                fill="var(--ink)"
              >
                {node.label}
              </text>
            </g>
          )
        })}
      </svg>
      <details className="text-13 text-quiet">
        <summary className="min-h-[24px] cursor-pointer py-1">As a table</summary>
        <table className="text-15 text-ink">
          <tbody>
            {[
              ...entries,
              { cause: 'YIELD' as const, litres: yieldL, inward: false },
              { cause: 'UNEXPLAINED' as const, litres: unexplainedL, inward: false },
            ].map((entry) => (
              <tr key={entry.cause}>
                <th scope="row" className="pr-6 text-left font-normal">
                  {name(entry.cause, yieldName)}
                </th>
                <td className="text-right">
                  {entry.inward ? '+' : '−'} {litres(entry.litres)}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </details>
    </figure>
  )
}

const name = (cause: Cause, yieldName: string) => (cause === 'YIELD' ? yieldName : causeName[cause])
