/** Exact factors of the international yard and pound agreement of 1959. */
export const CM_PER_INCH = 2.54
export const MM_PER_INCH = 25.4
export const KG_PER_POUND = 0.45359237
export const INCHES_PER_FOOT = 12
export const POUNDS_PER_STONE = 14
