import type { EventMessage } from '@elder-cog/contract';
import { useQueryClient } from '@tanstack/react-query';
import { useEffect } from 'react';
import { useDoor } from './ask.ts';
import { isOwn } from './outbox.ts';

/** The server is heard from this often at least; after longer than this it is asked. */
const SILENCE_MS = 45_000;

/**
 * Hears from the server what was written, by whomever, and asks for that and nothing else. A page nobody looks at lets its line go, for
 * a browser has few; looked at again it asks once.
 */
export function useEvents(): void {
  const client = useQueryClient();
  const shut = useDoor((s) => s.shut);
  useEffect(() => {
    if (shut) return;
    let line: EventSource | null = null;
    let wasCut = false;
    let silence: ReturnType<typeof setTimeout> | undefined;
    const listen = (): void => {
      clearTimeout(silence);
      silence = setTimeout(reconnect, SILENCE_MS);
    };
    const askAll = (): void => void client.invalidateQueries();
    const connect = (): void => {
      if (line !== null || document.visibilityState === 'hidden') return;
      line = new EventSource('/api/events');
      line.onopen = () => {
        listen();
        if (wasCut) askAll();
        wasCut = false;
      };
      line.onerror = () => {
        wasCut = true;
      };
      line.addEventListener('here', listen);
      line.onmessage = ({ data }: MessageEvent<string>) => {
        listen();
        const { jobId, commandId } = JSON.parse(data) as EventMessage;
        if (commandId === '') return askAll();
        if (isOwn(commandId)) return;
        const keys = jobId === null ? [['drawer']] : [['job', jobId], ['journal', jobId], ['shelf'], ['drawer']];
        for (const queryKey of keys) void client.invalidateQueries({ queryKey });
      };
    };
    const letGo = (): void => {
      clearTimeout(silence);
      line?.close();
      line = null;
      wasCut = true;
    };
    const reconnect = (): void => {
      letGo();
      connect();
    };
    const look = (): void => (document.visibilityState === 'hidden' ? letGo() : connect());
    connect();
    document.addEventListener('visibilitychange', look);
    return () => {
      document.removeEventListener('visibilitychange', look);
      letGo();
    };
  }, [client, shut]);
}
