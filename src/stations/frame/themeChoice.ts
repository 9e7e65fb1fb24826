export type Theme = 'light' | 'dark' | 'system';

export const THEME_COOKIE = 'pebble-theme';
const YEAR_S = 365 * 24 * 3600;

/** Chooses a theme at once and for later visits; `system` follows the system again. */
export function setTheme(theme: Theme) {
  if (theme === 'system') delete document.documentElement.dataset['theme'];
  else document.documentElement.dataset['theme'] = theme;
  document.cookie = `${THEME_COOKIE}=${theme}; path=/; max-age=${theme === 'system' ? 0 : YEAR_S}; samesite=strict`;
}
