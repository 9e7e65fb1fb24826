'use client';

import { useEffect, useState } from 'react';
import { waitForServer } from './waitForServer';

/** Says that the server has stopped while somebody waits for a page; what is open stays. */
export function ServerAway() {
  const [isAway, setAway] = useState(false);
  useEffect(() => waitForServer(setAway), []);
  return (
    <div role="alert">
      {isAway && (
        <p className="fixed inset-x-0 top-0 z-50 border-b border-rust bg-raised px-6 py-3 text-center">
          Pebble Road has stopped. This page stays as it is; start the program again, and it goes on to where
          you wanted.
        </p>
      )}
    </div>
  );
}
