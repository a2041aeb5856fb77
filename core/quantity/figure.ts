/** Small figures to the hundredth, larger ones to the tenth: 0.75, 12.5, 100.8. */
export const figure = (value: number): string =>
  String(value >= 100 ? Math.round(value * 10) / 10 : Math.round(value * 100) / 100)
