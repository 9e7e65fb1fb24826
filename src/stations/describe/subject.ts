/** What is described: a title, a car, or the program of the open rig's base. */
export const SUBJECTS = ['title', 'car', 'base'] as const;
export type Subject = (typeof SUBJECTS)[number];

export const subjectOf = (asked: string | undefined): Subject =>
  SUBJECTS.find((one) => one === asked) ?? 'title';
