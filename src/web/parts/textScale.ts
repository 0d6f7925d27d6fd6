/** One rem where nobody asked for larger letters, px. */
const USUAL_PX = 16

/** How much larger than usual this browser is asked to show letters: 2 at 200 %. What is drawn grows with them. */
export const textScale = (): number => Number.parseFloat(getComputedStyle(document.documentElement).fontSize) / USUAL_PX || 1
