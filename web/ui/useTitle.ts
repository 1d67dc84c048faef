import { useEffect } from 'react';

/** Names the page of the browser after the place: `Rack · Nelvik`. Nothing is named before it is known. */
export function useTitle(...parts: readonly (string | undefined)[]): void {
  const words = [...parts.filter((part) => part), 'Nelvik'].join(' · ');
  useEffect(() => {
    document.title = words;
  }, [words]);
}
