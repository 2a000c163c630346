import { useState } from 'react'
import { useWeighable } from '../../api/larder'
import { type Page } from '../../api/queries'
import { Choice } from '../../kit/Choice'
import { Loading } from '../../kit/Note'
import { Sheet } from '../../kit/Sheet'
import type { Due } from './acts'
import { FigureSheet } from './FigureSheet'
import { OutOfTheLarder } from './OutOfTheLarder'

/** Weighing in: box by box out of the larder, or, where nothing of the bed lies there, as a whole on the scale. */
export function WeighInSheet({
  page,
  due,
  box,
  onClose,
}: {
  page: Page
  due?: Due
  /** That was scanned. */
  box?: string
  onClose: () => void
}) {
  const weighable = useWeighable(page.card.id, true)
  const [from, setFrom] = useState<'larder' | 'scale'>('larder')
  const wanted = weighable.data
  const inTheLarder = wanted?.some((one) => one.offers.length > 0) ?? false
  const choice = inTheLarder && (
    <Choice
      label="Weighed"
      value={from}
      onValue={setFrom}
      options={[
        { value: 'larder', name: 'Out of the larder' },
        { value: 'scale', name: 'As a whole' },
      ]}
    />
  )
  // Whoever has no network, or a kitchen that does not answer, still has a scale.
  if (weighable.isPending && weighable.fetchStatus === 'fetching')
    return (
      <Sheet title="Weigh in" open onClose={onClose}>
        <Loading what="the larder" />
      </Sheet>
    )
  if (!wanted || !inTheLarder || from === 'scale')
    return <FigureSheet page={page} kind="weighed-in" due={due} onClose={onClose} before={choice} />
  return (
    <Sheet title="Weigh in" open onClose={onClose}>
      <div className="grid gap-5">
        {choice}
        <OutOfTheLarder page={page} wanted={wanted} first={box} onDone={onClose} />
      </div>
    </Sheet>
  )
}
