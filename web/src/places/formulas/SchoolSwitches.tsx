import { useMemo } from 'react'
import type { Schemas } from '../../api/client'
import { useEffects, type ChargeRequest } from '../../api/queries'
import { Heading } from '../../kit/Note'
import { Opened } from '../../kit/Opened'
import { useUnits } from '../../kit/session'
import { useSettled } from '../../kit/settled'
import { bodyName, causeName, schoolName, schoolWord } from '../../words/en'
import { duration } from '../../words/time'
import type { SchoolName } from '../../api/kinds'
import { schoolFields, type Wish } from './wish'

type Effect = Schemas['EffectView']

/** Where practitioners differ: each option says what it would change before it is taken. */
export function SchoolSwitches({
  request,
  wish,
  onWish,
  body,
}: {
  request: ChargeRequest
  wish: Wish
  onWish: (wish: Wish) => void
  body: string
}) {
  // Two dozen charges stand behind these figures; they are asked for once the hand rests.
  const asked = useSettled(JSON.stringify(request), 250)
  const standing = useMemo(() => JSON.parse(asked) as ChargeRequest, [asked])
  const effects = useEffects(standing.vesselId ? standing : undefined)
  const words = useEffectWords(wish, body)
  const all = effects.data ?? []
  const schools = schoolFields.filter((field) => all.some((e) => e.school === field))
  const choose = (field: SchoolName, option: string) =>
    onWish({ ...wish, schools: { ...wish.schools, [field]: option } })
  const changed = Object.keys(wish.schools).length > 0
  return (
    <section className="mt-8" aria-busy={effects.isFetching}>
      <Heading
        aside={
          changed ? (
            <button
              type="button"
              className="text-river min-h-[36px] underline underline-offset-4"
              onClick={() => onWish({ ...wish, schools: {} })}
            >
              All as the formula has it
            </button>
          ) : (
            'what another way would change'
          )
        }
      >
        Ways of making it
      </Heading>
      <div className="grid gap-x-10 gap-y-5 md:grid-cols-2 lg:grid-cols-3">
        {schools.map((field) => (
          <fieldset key={field} className="m-0 min-w-0 border-0 p-0">
            <legend className="text-15 mb-1 p-0 font-semibold">{schoolName[field]}</legend>
            {all
              .filter((e) => e.school === field)
              .map((effect) => (
                <label
                  key={effect.option}
                  className={`border-rule flex min-h-[48px] items-center gap-3 border-t ${effect.refusal ? 'text-quiet' : ''}`}
                >
                  <input
                    type="radio"
                    name={field}
                    value={effect.option}
                    // What was just tapped stands at once; the figures follow.
                    checked={wish.schools[field] ? wish.schools[field] === effect.option : effect.chosen}
                    disabled={effect.refusal !== undefined}
                    onChange={() => choose(field, effect.option)}
                    className="size-6 shrink-0 accent-(--river)"
                  />
                  <span className={`text-15 whitespace-nowrap ${effect.chosen ? 'font-bold' : ''}`}>
                    {schoolWord[field]?.[effect.option] ?? effect.option}
                  </span>
                  <span className="text-13 text-quiet ml-auto text-right">{words(effect)}</span>
                  {effect.why.length > 0 && <Difference effect={effect} field={field} />}
                </label>
              ))}
          </fieldset>
        ))}
      </div>
    </section>
  )
}

/** Where the litres of another way go, or come from. */
function Difference({ effect, field }: { effect: Effect; field: SchoolName }) {
  const units = useUnits()
  return (
    <Opened
      of={`${schoolName[field]}: ${schoolWord[field]?.[effect.option] ?? effect.option}`}
      says={`${effect.litres < 0 ? '−' : '+'}${units.litres(Math.abs(effect.litres))} out against how it stands.`}
    >
      <table className="text-15 mt-2 w-full">
        <tbody>
          {effect.why.map((delta) => (
            <tr key={delta.term} className="border-rule border-t">
              <th scope="row" className="py-1 text-left font-normal">
                {causeName[delta.term]}
              </th>
              <td className="text-right whitespace-nowrap">
                {units.litres(Math.abs(delta.litres))} {delta.litres < 0 ? 'less' : 'more'}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </Opened>
  )
}

function useEffectWords(wish: Wish, body: string) {
  const units = useUnits()
  const signed = (text: string, value: number) => (value > 0 ? '+' : '−') + text.replace('−', '')
  return (effect: Effect): string => {
    if (effect.chosen) return ''
    if (effect.refusal) return effect.refusal
    const parts: string[] = []
    if (Math.abs(effect.litres) >= 0.1) parts.push(signed(units.litres(effect.litres), effect.litres))
    if (wish.goal !== 'BED' && Math.abs(effect.bedKg) >= 0.1)
      parts.push(`${signed(units.kg(Math.abs(effect.bedKg)), effect.bedKg)} bed`)
    if (effect.body && effect.body !== body) parts.push(bodyName[effect.body])
    else if (Math.abs(effect.gelatinGPerL) >= 0.5)
      parts.push(signed(units.dissolved(Math.abs(effect.gelatinGPerL), 0.1), effect.gelatinGPerL))
    if (Math.abs(effect.clarity) >= 1)
      parts.push(`clarity ${signed(String(Math.abs(Math.round(effect.clarity))), effect.clarity)}`)
    if (Math.abs(effect.minutes) >= 3) parts.push(signed(duration(Math.abs(effect.minutes)), effect.minutes))
    return parts.length ? parts.join(', ') : 'no other change'
  }
}
