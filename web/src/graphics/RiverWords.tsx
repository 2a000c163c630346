import type { SVGProps } from 'react'

/** Words on the river, with a rim that keeps them apart from what flows behind them. */
export function Words(text: SVGProps<SVGTextElement>) {
  return <text fontSize={15} stroke="var(--surface)" strokeWidth={3} paintOrder="stroke" {...text} />
}
