/**
 * What it takes to go from one client to another: walking, hand rub (20 to 30 s, WHO Guidelines on Hand Hygiene in Health Care, 2009, figure II.1; value from memory),
 * new gloves (common practice, no source). Whole seconds.
 */
export const CHANGE_OVER_S = 60
