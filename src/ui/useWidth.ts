import { useEffect, useRef, useState, type RefObject } from 'react';

/** Width of a box on the screen, px, kept up to date; 0 until it is known. */
export function useWidth(): [RefObject<HTMLDivElement | null>, number] {
  const box = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(0);
  useEffect(() => {
    const measure = () => setWidth(Math.floor(box.current?.clientWidth ?? 0));
    measure();
    window.addEventListener('resize', measure);
    return () => window.removeEventListener('resize', measure);
  }, []);
  return [box, width];
}
