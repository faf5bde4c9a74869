import { useEffect, useRef, useState } from 'react';

interface Turn {
  /** True while the last thing is still being sent: this entry is then kept when that is done. */
  mustWait(text: string): boolean;
  /** False where this very entry is on its way already: the same Enter twice is one entry. */
  begins(text: string): boolean;
}

/** One entry at a time, and no Enter lost: what is edited after its Enter waits for another. */
export function useTurn(busy: boolean, value: string, keep: () => void): Turn {
  const [wanted, setWanted] = useState<string | null>(null);
  const going = useRef<string | null>(null);
  const wasBusy = useRef(false);
  useEffect(() => {
    if (value !== going.current || (wasBusy.current && !busy)) going.current = null;
    wasBusy.current = busy;
    if (busy || wanted === null) return;
    setWanted(null);
    if (value === wanted && value.trim() !== '') keep();
  });
  return {
    mustWait: (text) => {
      if (busy && text !== going.current) setWanted(text);
      return busy;
    },
    begins: (text) => {
      if (going.current === text) return false;
      going.current = text;
      return true;
    },
  };
}
