/** Energy densities, kcal/kg. Hall KD, Int J Obes 2008;32:573-576 (from memory): 39.5 and 7.6 MJ/kg. */
export const FAT_KCAL_PER_KG = 9441
export const LEAN_KCAL_PER_KG = 1816
