import type { Wishes } from "@zm/formats";
import { useEffect, useRef, useState } from "react";
import { errorMessage } from "../shared/errorMessage.ts";
import { type ExchangeThread, startExchange } from "./exchange.ts";
import type { Brought } from "./exchangeThread.ts";

/** The files as they are read, anew with each answer. `brought` stays what it was while they are read once more. */
export function useReading(files: readonly File[], show: number | null) {
  const thread = useRef<ExchangeThread | null>(null);
  const [wishes, setWishes] = useState<Wishes>({});
  const [brought, setBrought] = useState<Brought | null>(null);
  const [busy, setBusy] = useState(false);
  useEffect(() => () => thread.current?.end(), []);
  useEffect(() => {
    if (files.length === 0) return;
    let over = false;
    const read = async (): Promise<Brought> => {
      const here = await Promise.all(files.map(async (file) => ({ name: file.name, bytes: new Uint8Array(await file.arrayBuffer()) })));
      thread.current ??= startExchange();
      return thread.current.read(here, show, wishes);
    };
    setBusy(true);
    read()
      .catch((error: unknown): Brought => ({ faults: [errorMessage(error)] }))
      .then((now) => {
        if (over) return;
        setBrought(now);
        setBusy(false);
      }, undefined);
    return () => {
      over = true;
    };
  }, [files, show, wishes]);
  const answer = (question: string, id: string): void => setWishes((before) => ({ ...before, [question]: id }));
  return { brought, busy, wishes, answer, thread };
}
