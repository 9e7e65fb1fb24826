import type { Problem } from '@/core/problem';

type Described = 'title' | 'car' | 'road';

export const goneMeanwhile = (what: Described): Problem => ({
  code: `no-${what}`,
  message: `That ${what} is not in the book any more.`,
  place: {},
  remedy: 'Reload the page, and keep it as a new one.',
});

export const nameTaken = (what: Described, name: string): Problem => ({
  code: `${what}-exists`,
  message: `There is a ${what} called ${name} already.`,
  place: {},
  remedy: 'Give it another name.',
});
