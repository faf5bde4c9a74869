import { useCallback, useRef, useState } from 'react';

/** The width and height an element has been given, px, as they change. */
export function useWidth<Element extends HTMLElement>(): readonly [(element: Element | null) => void, number, number] {
  const [size, setSize] = useState<readonly [number, number]>([0, 0]);
  const observer = useRef<ResizeObserver | null>(null);
  const ref = useCallback((element: Element | null) => {
    observer.current?.disconnect();
    observer.current = null;
    if (!element) return;
    const measure = (): void =>
      setSize((was) => (was[0] === element.clientWidth && was[1] === element.clientHeight ? was : [element.clientWidth, element.clientHeight]));
    measure();
    observer.current = new ResizeObserver(measure);
    observer.current.observe(element);
  }, []);
  return [ref, size[0], size[1]];
}
