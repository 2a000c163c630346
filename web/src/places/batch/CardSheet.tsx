import { useState } from 'react'
import { act } from '../../api/outbox'
import type { Page } from '../../api/queries'
import { LadleCard, SetCard, ShadeCard } from '../../graphics/Cards'
import { Button } from '../../kit/Button'
import { Note } from '../../kit/Note'
import { Sheet } from '../../kit/Sheet'
import { shadeWords, tasteWords } from '../../words/en'
import { type Due } from './acts'
import { SpentTicks, Ticks } from './Ticks'
import { useSend } from './useSend'

interface Props {
  page: Page
  due?: Due
  onClose: () => void
}

const cards = {
  SHADE: {
    title: 'Judge the shade',
    says: 'Hold the card against the palest and the darkest piece; the darkest decides when it comes out.',
    Card: ShadeCard,
  },
  SET: {
    title: 'Spoonful on a cold plate',
    says: 'A minute in the freezer, then tilt the plate.',
    Card: SetCard,
  },
  LADLE: {
    title: 'A ladle against the light',
    says: 'White ladle, top of the pot, in good light.',
    Card: LadleCard,
  },
}

type CardName = keyof typeof cards

/** One of the kitchen's cards, held against what is in the oven or the pot. */
export function CardSheet({ page, due, card, onClose }: Props & { card: CardName }) {
  const { title, says, Card } = cards[card]
  const [value, setValue] = useState<number>()
  const { problem, send } = useSend(page.card.id, onClose)
  const target = card === 'SHADE' ? (page.card.oven?.shade ?? due?.amount) : undefined
  const stands = card === 'SHADE' && value !== undefined ? page.card.oven?.shades[value - 1] : undefined
  return (
    <Sheet title={title} open onClose={onClose}>
      <p className="text-18 mt-0 mb-4">{says}</p>
      <Card value={value} onValue={setValue} target={target} />
      <div className="mt-5 grid gap-3">
        {stands &&
          (stands.stands === 'SCORCHED' ? (
            <Note tone="hazard">{shadeWords[stands.stands]}</Note>
          ) : (
            <p className="text-18 m-0">
              {shadeWords[stands.stands]}
              {stands.stands === 'BELOW' && ` Look again in about ${stands.longerMin} min.`}
            </p>
          ))}
        <Button
          tone="act"
          large
          disabled={value === undefined}
          onClick={() => void send(act('card-read', { card, value }))}
        >
          Log
        </Button>
        {problem && <Note>{problem.message}.</Note>}
      </div>
    </Sheet>
  )
}

/** What it tastes of, and what the bones look like. */
export function TasteSheet({ page, onClose }: Props) {
  const [words, setWords] = useState<string[]>([])
  const { problem, send } = useSend(page.card.id, onClose)
  return (
    <Sheet title="Taste it" open onClose={onClose}>
      <div className="grid gap-4">
        <Ticks label="It tastes" options={tasteWords} value={words} onValue={setWords} />
        <SpentTicks signs={page.spentSigns} value={words} onValue={setWords} />
        <Button
          tone="act"
          large
          disabled={words.length === 0}
          onClick={() => void send(act('tasted', { words: words.join(', ') }))}
        >
          Log
        </Button>
        {problem && <Note>{problem.message}.</Note>}
      </div>
    </Sheet>
  )
}
