import type { Family } from '../words/en'

/** Colour of a liquor by family, deepening as the bed gives itself up. The tokens are in the style sheet, so night has its own. */
const families: Partial<Record<Family, string>> = {
  WHITE: 'straw',
  BROWN: 'umber',
  FISH: 'pearl',
  INFUSED: 'pearl',
  SHELLFISH: 'coral',
  VEGETABLE: 'moss',
  COURT_BOUILLON: 'moss',
  SECOND_WETTING: 'straw',
  REDUCTION: 'umber',
}

/** Gelatin at which a liquor counts as fully coloured, g/L. */
const FULL = 14

/** @param strength how far what has no gelatin has given itself up, 0 to 1 */
export function liquorColour(family: Family, gelatinGPerL: number, strength?: number): string {
  const name = families[family] ?? 'straw'
  const depth = Math.max(0, Math.min(1, Math.max(gelatinGPerL / FULL, strength ?? 0)))
  if (depth < 0.15) {
    const share = Math.round((depth / 0.15) * 100)
    return `color-mix(in oklab, var(--${name}-pale) ${share}%, var(--water))`
  }
  return `color-mix(in oklab, var(--${name}-deep) ${Math.round(((depth - 0.15) / 0.85) * 100)}%, var(--${name}-pale))`
}
