import { useMemo } from 'react'
import { useKitchen } from '../../api/queries'

/** The vessels of the kitchen, from the smallest to the largest. */
export function useVessels(): { id: string; name: string }[] {
  const kitchen = useKitchen()
  return useMemo(
    () => [...(kitchen.data?.vessels ?? [])].sort((a, b) => a.brimfulL - b.brimfulL),
    [kitchen.data],
  )
}
