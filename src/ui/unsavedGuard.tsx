'use client';

import { useEffect } from 'react';
import { AlertDialog } from 'radix-ui';
import { create } from 'zustand';
import { Button } from './Button';

interface Leaving {
  /** What would be lost, in a few words. */
  unkept: string | null;
  /** Where somebody is about to go, until it is said whether. */
  go: (() => void) | null;
}

const useLeaving = create<Leaving>(() => ({ unkept: null, go: null }));

/** While there is something that isn't kept, whoever goes elsewhere or closes the page is asked first. */
export function useUnsavedGuard(unkept: string | null) {
  useEffect(() => {
    if (unkept === null) return;
    useLeaving.setState({ unkept });
    const onUnload = (event: BeforeUnloadEvent) => {
      if (useLeaving.getState().unkept !== null) event.preventDefault();
    };
    const onClick = (event: MouseEvent) => {
      const link = followed(event);
      if (!link) return;
      event.preventDefault();
      event.stopPropagation();
      leaveGuarded(() => (link.isConnected ? link.click() : window.location.assign(link.href)));
    };
    window.addEventListener('beforeunload', onUnload);
    // Before the router, which follows links by itself.
    document.addEventListener('click', onClick, { capture: true });
    return () => {
      useLeaving.setState({ unkept: null });
      window.removeEventListener('beforeunload', onUnload);
      document.removeEventListener('click', onClick, { capture: true });
    };
  }, [unkept]);
}

/** Goes elsewhere, or asks first. */
export function leaveGuarded(go: () => void) {
  if (useLeaving.getState().unkept === null) go();
  else useLeaving.setState({ go });
}

/** The link of this page's own that a click would follow here. */
function followed(event: MouseEvent): HTMLAnchorElement | null {
  if (useLeaving.getState().unkept === null || event.button !== 0) return null;
  if (event.ctrlKey || event.metaKey || event.shiftKey || event.altKey) return null;
  const link = (event.target as Element).closest('a');
  if (!link?.href || link.target === '_blank' || link.hasAttribute('download')) return null;
  const to = new URL(link.href);
  const isHere = to.pathname === window.location.pathname && to.search === window.location.search;
  // A file that is saved leaves nothing.
  return to.origin !== window.location.origin || isHere || to.pathname.startsWith('/api/') ? null : link;
}

/** Asks whether what isn't kept is to be left behind. */
export function UnsavedDialog() {
  const { unkept, go } = useLeaving();
  const stay = () => useLeaving.setState({ go: null });
  return (
    <AlertDialog.Root open={go !== null} onOpenChange={(isOpen) => !isOpen && stay()}>
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="fixed inset-0 z-40 bg-ground/70" />
        <AlertDialog.Content className="fixed top-24 left-1/2 z-50 w-[28rem] max-w-[calc(100vw-2rem)] -translate-x-1/2 rounded-xl border border-line bg-ground p-6">
          <AlertDialog.Title className="text-lg font-bold">{unkept} is not kept yet</AlertDialog.Title>
          <AlertDialog.Description className="mt-1 text-muted">
            Whoever goes on without keeping it leaves it behind.
          </AlertDialog.Description>
          <div className="mt-4 flex flex-wrap gap-2">
            <AlertDialog.Cancel asChild>
              <Button look="next">Stay here</Button>
            </AlertDialog.Cancel>
            <AlertDialog.Action asChild>
              <Button
                onClick={() => {
                  useLeaving.setState({ unkept: null, go: null });
                  go?.();
                }}
              >
                Leave it behind
              </Button>
            </AlertDialog.Action>
          </div>
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  );
}
