import { useEffect, useState } from 'react';

/** Whether something goes on already for so many milliseconds: what is over sooner needs no word. */
export function useLasting(on: boolean, milliseconds: number): boolean {
  const [lasts, setLasts] = useState(false);
  useEffect(() => {
    if (!on) return;
    const timer = setTimeout(() => setLasts(true), milliseconds);
    return () => {
      clearTimeout(timer);
      setLasts(false);
    };
  }, [on, milliseconds]);
  return on && lasts;
}
