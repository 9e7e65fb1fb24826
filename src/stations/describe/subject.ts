/** What is described: a title, a car, a road, or the program of the open rig's base. */
export const SUBJECTS = ['title', 'car', 'road', 'base'] as const;
export type Subject = (typeof SUBJECTS)[number];

export const subjectOf = (asked: string | undefined): Subject =>
  SUBJECTS.find((one) => one === asked) ?? 'title';
