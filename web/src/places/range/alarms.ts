import { useEffect, useMemo } from 'react'
import type { Card } from '../../api/queries'
import { useKept } from '../../kit/screen'
import { dueKey, type Due } from '../batch/acts'

/** An act that has waited too long. */
export interface Alarm {
  key: string
  card: Card
  due: Due
  /** Whether somebody could be harmed by it; such an alarm sounds at night, too. */
  safety: boolean
}

/** Every act that is late and costs something, worst first. */
export function alarmsOf(batches: Card[], now: number): Alarm[] {
  return batches
    .flatMap((card) =>
      card.due
        .filter((due) => due.cost !== 'NOTHING' && new Date(due.lateAt).getTime() < now)
        .map((due) => ({ key: `${card.id}:${dueKey(due)}`, card, due, safety: due.cost === 'SAFETY' })),
    )
    .sort((a, b) => Number(b.safety) - Number(a.safety) || a.due.lateAt.localeCompare(b.due.lateAt))
}

const HEARD = 'alarms.heard'
const SOUND = 'alarms.sound'
/** Whether this screen sounds. */
export function useSound(): [boolean, (on: boolean) => void] {
  const [said, keep] = useKept(SOUND)
  return [said !== 'off', (on) => keep(on ? 'on' : 'off')]
}

/** Alarms that nobody at this screen has acknowledged. One that was comes again when its act is late again after it was done. */
export function useAlarms(batches: Card[], now: number): { alarms: Alarm[]; hear: (alarm: Alarm) => void } {
  const [kept, keep] = useKept(HEARD)
  const all = useMemo(() => alarmsOf(batches, now), [batches, now])
  const known = useMemo(() => new Set((kept ?? '').split('\n').filter(Boolean)), [kept])
  useEffect(() => {
    const still = [...known].filter((key) => all.some((alarm) => alarm.key === key))
    if (batches.length > 0 && still.length < known.size) keep(still.join('\n'))
  }, [all, batches, known, keep])
  return {
    alarms: all.filter((alarm) => !known.has(alarm.key)),
    hear: (alarm) => keep([...known, alarm.key].join('\n')),
  }
}

const EVERY_MS = 15_000

/** What is heard: by day every alarm, in the night watch only what is about safety. */
export const audible = (alarms: Alarm[], night: boolean) => alarms.filter((alarm) => alarm.safety || !night)

/** Sounds at once and every quarter of a minute for as long as something is to be heard. */
export function useAlarmSound(alarms: Alarm[], sound: boolean, ring: (safety: boolean) => void) {
  const loud = alarms.length > 0
  const safety = alarms.some((alarm) => alarm.safety)
  useEffect(() => {
    if (!loud || !sound) return
    ring(safety)
    const timer = setInterval(() => ring(safety), EVERY_MS)
    return () => clearInterval(timer)
  }, [loud, sound, safety, ring])
}

let audio: AudioContext | undefined

/** Two tones of a bell; three rising ones for safety. A browser lets no page sound before somebody has touched it. */
export function ring(safety: boolean) {
  if (typeof AudioContext === 'undefined') return
  audio ??= new AudioContext()
  if (audio.state === 'suspended') void audio.resume()
  const tones = safety ? [660, 880, 1175] : [784, 587]
  tones.forEach((hertz, i) => {
    const from = audio!.currentTime + i * 0.28
    const tone = audio!.createOscillator()
    const loudness = audio!.createGain()
    tone.frequency.value = hertz
    loudness.gain.setValueAtTime(0, from)
    loudness.gain.linearRampToValueAtTime(0.25, from + 0.02)
    loudness.gain.exponentialRampToValueAtTime(0.001, from + 0.6)
    tone.connect(loudness).connect(audio!.destination)
    tone.start(from)
    tone.stop(from + 0.65)
  })
}
