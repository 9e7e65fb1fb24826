/** Figures as a sentence says them. */
export const newtonMetres = (value: number) => `${value.toFixed(1)} N·m`;
