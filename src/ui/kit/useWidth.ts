'use client';
import { useEffect, useRef, useState } from 'react';

/** The width of an element as it changes; the first guess fits a laptop. */
export function useWidth(firstPx = 966): [React.RefObject<HTMLDivElement | null>, number] {
  const holder = useRef<HTMLDivElement>(null);
  const [widthPx, setWidthPx] = useState(firstPx);
  useEffect(() => {
    const observer = new ResizeObserver(([entry]) => entry && setWidthPx(Math.floor(entry.contentRect.width)));
    if (holder.current) observer.observe(holder.current);
    return () => observer.disconnect();
  }, []);
  return [holder, widthPx];
}
