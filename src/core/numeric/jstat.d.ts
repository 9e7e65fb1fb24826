/** The few distributions that we take from jstat, which ships no types. */
declare module 'jstat' {
  interface JStat {
    erf(x: number): number;
    normal: {
      cdf(x: number, mean: number, sd: number): number;
      inv(p: number, mean: number, sd: number): number;
    };
    studentt: { cdf(x: number, dof: number): number; inv(p: number, dof: number): number };
    chisquare: { inv(p: number, dof: number): number };
    noncentralt: { cdf(x: number, dof: number, ncp: number): number };
  }
  const distributions: { jStat: JStat };
  export default distributions;
}
