import { useEffect, useLayoutEffect, useRef } from 'react';

interface ClipboardHands {
  onCopy?: (data: DataTransfer) => void;
  onCut?: (data: DataTransfer) => void;
  /** Says whether it took what was on the clipboard. */
  onPaste?: (data: DataTransfer) => boolean;
}

/**
 * The clipboard of a view whose things are no text: copy, cut and paste reach it wherever the focus is, except in
 * fields and dialogs, or where text is marked. A hand that is left out leaves the event to the browser.
 */
export function useClipboard(hands: ClipboardHands): void {
  const latest = useRef(hands);
  useLayoutEffect(() => {
    latest.current = hands;
  });
  useEffect(() => {
    const isOurs = (event: Event): boolean => {
      const focused = document.activeElement;
      const at = event.target instanceof Element ? event.target : focused;
      const elsewhere = 'input, textarea, select, [contenteditable=true], [role=dialog]';
      return !focused?.closest(elsewhere) && !at?.closest(elsewhere);
    };
    const isTextMarked = (): boolean => !(getSelection()?.isCollapsed ?? true);
    // Where nothing is marked browsers offer no copying, unless somebody says beforehand that there is something.
    const before = (event: Event): void => {
      const hand = event.type === 'beforecut' ? latest.current.onCut : latest.current.onCopy;
      if (hand && isOurs(event) && !isTextMarked()) event.preventDefault();
    };
    const take = (event: ClipboardEvent): void => {
      const data = event.clipboardData;
      if (!data || !isOurs(event)) return;
      const { onCopy, onCut, onPaste } = latest.current;
      if (event.type === 'paste') {
        if (onPaste?.(data)) event.preventDefault();
        return;
      }
      const hand = event.type === 'cut' ? onCut : onCopy;
      if (!hand || isTextMarked()) return;
      hand(data);
      event.preventDefault();
    };
    const events = ['copy', 'cut', 'paste'] as const;
    document.addEventListener('beforecopy', before);
    document.addEventListener('beforecut', before);
    for (const name of events) document.addEventListener(name, take);
    return () => {
      document.removeEventListener('beforecopy', before);
      document.removeEventListener('beforecut', before);
      for (const name of events) document.removeEventListener(name, take);
    };
  }, []);
}
