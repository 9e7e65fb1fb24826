'use client';

import { getNonce, setNonce } from 'get-nonce';

/**
 * Lets the style elements that dialogs add at run time pass the content security policy. The policy is that of the
 * first page: later answers of the server carry other nonces, which this document does not know.
 */
export function StyleNonce({ nonce }: { nonce: string | undefined }) {
  if (nonce && typeof window !== 'undefined' && !getNonce()) setNonce(nonce);
  return null;
}
