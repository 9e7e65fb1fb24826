/** Figures as a sentence says them. */
export const percent = (share: number, digits = 0) => `${(100 * share).toFixed(digits)} %`;
export const newtonMetres = (value: number) => `${value.toFixed(1)} N·m`;
