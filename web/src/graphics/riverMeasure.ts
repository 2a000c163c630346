/** Measures of the river, in its own picture. */
export const WIDTH = 1240
export const LEFT = 8
/** Above the tide stands its name. */
export const TIDE_TOP = 26
export const TIDE = 84
export const AXIS = 28
export const LANE = 64
/** Of an oven in a row. */
export const OVEN = 30
/** Of the ice through which everything falls. */
export const ICE = 78
/** So far across lies the next vessel. */
export const VESSEL = 48
export const SHELF = 96
export const MOUTH = 40
export const SAID = 40
/** So small a picture shows a stock in the colour that it ends in. */
export const DONE = 10

/** Where a moment lies. */
export type At = (at: number) => number
