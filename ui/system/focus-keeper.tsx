'use client';
import { useEffect } from 'react';

const FOCUSABLE =
  'a[href], button:not(:disabled), input:not(:disabled), select:not(:disabled), textarea:not(:disabled), [tabindex="0"]';
/** Time a dialog has to put the focus back where it belongs, ms. */
const PATIENCE = 60;

/** Where the focus was: the element, what it stood in, and its place among what can be focused there. */
interface Place {
  element: Element;
  within: { ancestor: Element; index: number }[];
}

function placeOf(element: Element): Place {
  const within: Place['within'] = [];
  for (let at = element.parentElement; at && at !== document.body; at = at.parentElement)
    within.push({ ancestor: at, index: [...at.querySelectorAll(FOCUSABLE)].indexOf(element) });
  return { element, within };
}

/** What stands nearest to a place that is gone: the next one in the smallest part of the page that is still there. */
function nearest({ within }: Place): HTMLElement | null {
  for (const { ancestor, index } of within) {
    if (!ancestor.isConnected) continue;
    const left = [...ancestor.querySelectorAll<HTMLElement>(FOCUSABLE)].filter(
      (e) => e.offsetParent !== null,
    );
    if (left.length) return left[Math.min(index, left.length - 1)]!;
  }
  return null;
}

/** Keeps the focus where somebody was when what had it is removed: never back to the top. */
export function FocusKeeper() {
  useEffect(() => {
    // From now on presses are heard: before, the page is only a picture of itself.
    document.documentElement.dataset.live = '';
    let last: Place | null = null;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const remember = (event: FocusEvent) => {
      if (event.target instanceof Element) last = placeOf(event.target);
    };
    const look = () => {
      if (!last || last.element.isConnected || document.activeElement !== document.body) return;
      nearest(last)?.focus();
    };
    const observer = new MutationObserver(() => {
      if (!last || document.activeElement !== document.body) return;
      clearTimeout(timer);
      timer = setTimeout(look, PATIENCE);
    });
    document.addEventListener('focusin', remember);
    observer.observe(document.body, { childList: true, subtree: true });
    return () => {
      document.removeEventListener('focusin', remember);
      observer.disconnect();
      clearTimeout(timer);
    };
  }, []);
  return null;
}
