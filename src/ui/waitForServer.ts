/** Asked for to find out whether the server answers again; small, and always there. */
const PROBE = '/icon.svg';
const ASK_EVERY_MS = 1000;

/** Whether a request fetches another page for the router: what fails there would otherwise end on the browser's own page. */
function isForPage(input: RequestInfo | URL, init: RequestInit | undefined): boolean {
  const { method = 'GET', headers: given } =
    typeof input === 'object' && 'headers' in input ? input : (init ?? {});
  const headers = new Headers(given);
  return method === 'GET' && headers.has('rsc') && !headers.has('next-router-prefetch');
}

/**
 * Keeps the page that is open when the server has stopped: whoever goes to another page waits until it answers again.
 * @param onAway is told `true` when somebody begins to wait, `false` when the server answers again
 * @returns takes it back
 */
export function waitForServer(onAway: (isAway: boolean) => void): () => void {
  const plain = window.fetch;
  const answers = () =>
    plain(PROBE, { method: 'HEAD', cache: 'no-store' }).then(
      () => true,
      () => false,
    );
  const patient: typeof fetch = async (input, init) => {
    if (!isForPage(input, init)) return plain(input, init);
    for (;;) {
      try {
        return await plain(input, init);
      } catch (error) {
        // The router thought better of it; or the answer itself is at fault.
        if (init?.signal?.aborted || (await answers())) throw error;
        onAway(true);
        do await new Promise((resolve) => setTimeout(resolve, ASK_EVERY_MS));
        while (!init?.signal?.aborted && !(await answers()));
        onAway(false);
      }
    }
  };
  window.fetch = patient;
  return () => {
    if (window.fetch === patient) window.fetch = plain;
  };
}
