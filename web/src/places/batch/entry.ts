interface Part {
  intoTheSimmerMin: number
}

/** Parts by when they go in, first those that go in with the bed: minutes into the simmer, and what goes in then. */
export function byEntry<P extends Part>(parts: readonly P[]): [number, P[]][] {
  const groups = new Map<number, P[]>()
  for (const part of parts)
    groups.set(part.intoTheSimmerMin, [...(groups.get(part.intoTheSimmerMin) ?? []), part])
  return [...groups.entries()].sort(([a], [b]) => a - b)
}
