/**
 * What this browser remembers for one driver. A browser that is told to keep nothing refuses even to be asked: then nothing
 * is remembered, and everything else works.
 */
export function remembered(key: string): string | null {
  try {
    return localStorage.getItem(key);
  } catch {
    return null;
  }
}

export function remember(key: string, value: string): void {
  try {
    localStorage.setItem(key, value);
  } catch {
    // Said once more next time.
  }
}
