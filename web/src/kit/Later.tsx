import { Suspense, useEffect, useId, useRef, useState, type ButtonHTMLAttributes, type JSX, type ReactNode } from 'react';

/** After this the page stands, and what is behind its buttons is fetched. */
const SETTLED_MS = 2_500;

interface LaterProps extends ButtonHTMLAttributes<HTMLButtonElement> {
  /** the menu itself, under a button of this id that looks the same */
  readonly menu: (id: string) => ReactNode;
  readonly children: ReactNode;
}

/** A menu's button, there at once; the menu behind it is fetched when the page has settled, or when it is asked for, and then opens. */
export function Later({ menu, children, ...button }: LaterProps): JSX.Element {
  const id = useId();
  const [ready, setReady] = useState(false);
  const wanted = useRef(false);
  useEffect(() => {
    const soon = setTimeout(() => setReady(true), SETTLED_MS);
    return () => clearTimeout(soon);
  }, []);
  const plain = (
    <button
      type="button"
      aria-haspopup="menu"
      {...button}
      onClick={() => {
        wanted.current = true;
        setReady(true);
      }}
    >
      {children}
    </button>
  );
  if (!ready) return plain;
  return (
    <Suspense fallback={plain}>
      {menu(id)}
      <Opened id={id} wanted={wanted} />
    </Suspense>
  );
}

/** Once the menu is there it is opened for whoever asked before it was, and keeps the focus for whoever stood on its button. */
function Opened({ id, wanted }: { id: string; wanted: { current: boolean } }): null {
  useEffect(() => {
    if (!wanted.current) return;
    wanted.current = false;
    document.getElementById(id)?.click();
  }, [id, wanted]);
  return null;
}
