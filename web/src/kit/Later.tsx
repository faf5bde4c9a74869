import { Suspense, useEffect, useId, useRef, useState, type ButtonHTMLAttributes, type JSX, type ReactNode } from 'react';

interface LaterProps extends ButtonHTMLAttributes<HTMLButtonElement> {
  /** the menu itself, under a button of this id that looks the same */
  readonly menu: (id: string) => ReactNode;
  readonly children: ReactNode;
}

/** A menu's button, there at once; the menu behind it is made when it is first asked for, and then opens. */
export function Later({ menu, children, ...button }: LaterProps): JSX.Element {
  const id = useId();
  const [ready, setReady] = useState(false);
  const wanted = useRef(false);
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
