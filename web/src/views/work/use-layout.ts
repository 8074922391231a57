import { useCallback, useState } from 'react';
import { COLUMNS, type Layout } from './columns';

const KEY = 'navlo.work.columns';

function stored(): Layout | null {
  try {
    const layout = JSON.parse(localStorage.getItem(KEY) ?? 'null') as Layout | null;
    if (!layout || !Array.isArray(layout.keys)) return null;
    const keys = layout.keys.filter((key) => COLUMNS.some((column) => column.key === key));
    return keys.length > 0 ? { keys, widths: layout.widths ?? {} } : null;
  } catch {
    return null;
  }
}

/** The columns as this person wants them on this device; null for those that fit. */
export function useLayout(): [Layout | null, (layout: Layout | null) => void] {
  const [layout, setLayout] = useState(stored);
  const put = useCallback((next: Layout | null) => {
    setLayout(next);
    if (next) localStorage.setItem(KEY, JSON.stringify(next));
    else localStorage.removeItem(KEY);
  }, []);
  return [layout, put];
}
