import { useEffect, useState } from 'react';

/** The value once it has stood for so many milliseconds: for questions too heavy to be asked at each keystroke. */
export function useSettled<Value>(value: Value, millis: number): Value {
  const [settled, setSettled] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(value), millis);
    return () => clearTimeout(timer);
  }, [value, millis]);
  return settled;
}
