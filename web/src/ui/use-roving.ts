import { type RefObject, useEffect } from 'react';

/**
 * Of many small things side by side one is reached by Tab, the one that was last gone to; j and k go to its neighbours.
 *
 * @param selector of the things within the box, in the order in which they stand
 */
export function useRoving(box: RefObject<HTMLElement | null>, selector: string): void {
  useEffect(() => {
    const element = box.current;
    if (!element) return;
    let current: HTMLElement | null = null;
    const all = () => [...element.querySelectorAll<HTMLElement>(selector)];
    const arrange = () => {
      const things = all();
      if (!current || !things.includes(current)) current = things[0] ?? null;
      for (const thing of things) thing.tabIndex = thing === current ? 0 : -1;
    };
    const onFocus = (event: FocusEvent) => {
      const thing = (event.target as HTMLElement).closest<HTMLElement>(selector);
      if (!thing || thing === current) return;
      current = thing;
      arrange();
    };
    const onKey = (event: KeyboardEvent) => {
      const step = event.key === 'j' ? 1 : event.key === 'k' ? -1 : 0;
      const things = all();
      const at = things.indexOf(document.activeElement as HTMLElement);
      if (step === 0 || at < 0) return;
      event.preventDefault();
      event.stopPropagation();
      things[at + step]?.focus();
    };
    arrange();
    const observer = new MutationObserver(arrange);
    observer.observe(element, { childList: true, subtree: true });
    element.addEventListener('focusin', onFocus);
    element.addEventListener('keydown', onKey);
    return () => {
      observer.disconnect();
      element.removeEventListener('focusin', onFocus);
      element.removeEventListener('keydown', onKey);
    };
  }, [box, selector]);
}
