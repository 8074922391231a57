import { useState } from 'react';

/** The colours of the page, kept on this device. */
export function useTheme(): [string, (theme: string) => void] {
  const [theme, setTheme] = useState(document.documentElement.dataset.theme ?? 'system');
  return [
    theme,
    (next) => {
      document.documentElement.dataset.theme = next;
      localStorage.setItem('navlo.theme', next);
      setTheme(next);
    },
  ];
}
