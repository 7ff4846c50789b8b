import { useCallback, useEffect, useRef, useState } from "react";
import { errorMessage } from "../shared/errorMessage.ts";
import { useShow } from "../show/useShow.ts";
import { type ExchangeThread, handedOver, startExchange } from "./exchange.ts";
import type { Sent } from "./exchangeThread.ts";
import { lookPictures } from "./lookPictures.ts";

/** What is wished of a file: the columns of tables of cues, of which list, and what goes into a bundle. */
export interface SendWishes {
  readonly columns: readonly string[];
  readonly list: string | undefined;
  readonly versions: boolean;
  readonly runs: boolean;
  readonly pictures: boolean;
}

/**
 * The file as it would be saved, written beside the window whenever the format, a wish or the show changes. A bundle takes longer, and is written when it is asked for.
 */
export function useSending(format: string, wishes: SendWishes) {
  const { id, revision, sheet } = useShow();
  const thread = useRef<ExchangeThread | null>(null);
  const [done, setDone] = useState<{ readonly sent: Sent | null; readonly fault: string | null }>({ sent: null, fault: null });
  const [busy, setBusy] = useState(false);
  const [drawn, setDrawn] = useState<string | null>(null);
  useEffect(() => () => thread.current?.end(), []);
  const write = useCallback(async (): Promise<Sent> => {
    thread.current ??= startExchange();
    const pictures =
      format === "bundle" && wishes.pictures
        ? await lookPictures(sheet, (drawn, all) => setDrawn(`Drawing look ${drawn + 1} of ${all} …`))
        : [];
    setDrawn(null);
    const { columns, list, versions, runs } = wishes;
    return thread.current.write(id, format, { columns, list }, handedOver(pictures), { versions: versions && format === "bundle", runs });
  }, [id, sheet, format, wishes]);
  useEffect(() => {
    let over = false;
    setDone({ sent: null, fault: null });
    if (format === "bundle") return;
    setBusy(true);
    write()
      .then(
        (sent) => ({ sent, fault: null }),
        (error: unknown) => ({ sent: null, fault: errorMessage(error) }),
      )
      .then((now) => {
        if (over) return;
        setDone(now);
        setBusy(false);
      }, undefined);
    return () => {
      over = true;
    };
  }, [write, format, revision]);
  const begin = async (): Promise<Sent | null> => {
    setBusy(true);
    try {
      return await write();
    } finally {
      setBusy(false);
    }
  };
  return { ...done, busy, drawn, begin };
}
