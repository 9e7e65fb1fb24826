import { router } from './nextNavigation';

let isDue = false;

/** Stands in for `next/cache`: the page is drawn again once what was asked is done. */
export function revalidatePath(): void {
  if (isDue) return;
  isDue = true;
  setTimeout(() => {
    isDue = false;
    // Nobody looks any more where the window is closed.
    if (globalThis.document?.defaultView) router.refresh();
  });
}
