/** Where all that is known of a setting stands. */
export const knownHref = (key: string) => `/verdict?know=${encodeURIComponent(key)}`;
