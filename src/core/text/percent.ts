/** A share as a sentence says it: "12 %". */
export const percent = (share: number, digits = 0) => `${(100 * share).toFixed(digits)} %`;

/** With a digit after the point where it is small: "0.4 %", "12 %". */
export const percentAbout = (share: number) => percent(share, share > 0 && share < 0.1 ? 1 : 0);

/** To a tenth, without one that is 0: "12.3 %", "12 %". */
export const percentTenths = (share: number) => `${Math.round(1000 * share) / 10} %`;
