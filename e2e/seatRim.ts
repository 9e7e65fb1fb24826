import type { Page } from '@playwright/test';

/** What is asked in the seat. */
export const prompt = (page: Page) => page.getByRole('heading', { level: 1 });

/** A button on the simulated rig's rim. */
export const press = (page: Page, answer: 'Yes' | 'No') =>
  page
    .getByRole('group', { name: 'Simulated rig' })
    .getByRole('button', { name: answer, exact: true })
    .click();
