import { type RefObject, useEffect, useRef } from 'react';

/**
 * Keeps where a box is scrolled to while it isn't shown: a box that is hidden forgets it.
 *
 * @param onFirst goes to where it begins, once it is shown for the first time
 */
export function useKeptScroll(box: RefObject<HTMLElement | null>, onFirst?: () => void): void {
  const first = useRef(onFirst);
  first.current = onFirst;
  useEffect(() => {
    const element = box.current;
    if (!element) return;
    let kept: number | null = null;
    let shown = element.clientHeight > 0;
    if (shown) kept = element.scrollTop;
    const onScroll = () => {
      if (element.clientHeight > 0) kept = element.scrollTop;
    };
    const observer = new ResizeObserver(() => {
      const now = element.clientHeight > 0;
      if (now && !shown) {
        if (kept === null) first.current?.();
        else element.scrollTop = kept;
      }
      shown = now;
    });
    observer.observe(element);
    element.addEventListener('scroll', onScroll, { passive: true });
    return () => {
      observer.disconnect();
      element.removeEventListener('scroll', onScroll);
    };
  }, [box]);
}
