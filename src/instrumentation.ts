/** Opens the book before the first request, and closes it when the server is told to stop. */
export async function register() {
  if (process.env['NEXT_RUNTIME'] !== 'nodejs') return;
  const { startBook } = await import('@/app/startBook');
  await startBook();
}
