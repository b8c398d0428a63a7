import { useEffect, useState } from 'react';

/** A value once it has stayed the same for a while; until then what was before it, at first nothing. */
export function useRested<T>(value: T, millis: number): T | undefined {
  const [rested, setRested] = useState<T>();
  useEffect(() => {
    const timer = window.setTimeout(() => setRested(() => value), millis);
    return () => window.clearTimeout(timer);
  }, [value, millis]);
  return rested;
}
