import type { Metadata } from 'next';
import { cookies, headers } from 'next/headers';
import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource/spline-sans-mono';
import '@/ui/theme.css';
import { THEME_COOKIE } from '@/stations/frame/themeChoice';
import { UnansweredFaults } from '@/stations/frame/UnansweredFaults';
import { ServerAway } from '@/ui/ServerAway';
import { StyleNonce } from '@/ui/StyleNonce';

export const metadata: Metadata = {
  title: 'Pebble Road',
  description: 'Measure, tune and judge a sim racing wheel and pedals on your own hardware.',
};

/** Every page shows the book as it is; the build must not open one to try. */
export const dynamic = 'force-dynamic';

export default async function RootLayout({ children }: { children: React.ReactNode }) {
  const theme = (await cookies()).get(THEME_COOKIE)?.value;
  const nonce = (await headers()).get('x-nonce') ?? undefined;
  const chosen = theme === 'light' || theme === 'dark' ? { 'data-theme': theme } : {};
  return (
    <html lang="en" {...chosen}>
      <body>
        <StyleNonce nonce={nonce} />
        <ServerAway />
        <UnansweredFaults />
        {children}
      </body>
    </html>
  );
}
