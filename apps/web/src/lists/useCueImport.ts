import { useQuery } from "@tanstack/react-query";
import { type ShowSheet, sheetOf, importCuesEdits } from "@zm/core";
import { useMemo, useState } from "react";
import { useNavigate } from "react-router";
import { considerEdits } from "../choice/draft.ts";
import { refusable } from "../preview/preview.ts";
import type { WantedCues } from "../shared/dialogs.ts";
import { notify } from "../shared/notices.ts";
import { api } from "../show/api.ts";
import { showsQuery } from "../show/openShow.ts";
import { useList, useShow } from "../show/useShow.ts";

/** Which cues of which show are to be taken, and what that comes to; `consider` puts it on the sheet, to be made there. */
export function useCueImport(wanted: WantedCues, onClose: () => void) {
  const { id, sheet } = useShow();
  const list = useList();
  const navigate = useNavigate();
  const shows = useQuery(showsQuery);
  const others = shows.data?.filter((show) => show.id !== id);
  const [picked, setPicked] = useState<number | null>(null);
  const named = wanted.from === undefined ? undefined : others?.find(({ title }) => title.toLowerCase() === wanted.from?.toLowerCase());
  const show = picked ?? named?.id ?? others?.[0]?.id ?? null;
  const other = useQuery({
    queryKey: ["taken from", show],
    queryFn: async (): Promise<ShowSheet> => sheetOf((await api.show(show ?? 0)).show),
    enabled: show !== null,
    structuralSharing: false,
    staleTime: 0,
  });
  const [listId, setListId] = useState<string | null>(null);
  const from = other.data && (other.data.lists.get(listId ?? "") ?? [...other.data.lists.values()][0]);
  const [cues, setCues] = useState(wanted.cues ? { first: wanted.cues.from, last: wanted.cues.to } : null);
  const [start, setStart] = useState(wanted.start ?? "");
  const taken = useMemo(() => {
    if (!other.data || !from || !cues) return null;
    const range = Number(cues.first) <= Number(cues.last) ? cues : { first: cues.last, last: cues.first };
    const taking = { from: { sheet: other.data, list: from, ...range }, into: { sheet, list }, start: start.trim() || undefined };
    return refusable(() => importCuesEdits(taking));
  }, [other.data, from, cues, start, sheet, list]);
  const consider = (): void => {
    if (!taken || "fault" in taken) return;
    for (const words of taken.left) notify(words, "trouble");
    considerEdits("history", taken.edits);
    void navigate(`/show/${id}/score`);
    onClose();
  };
  const pickShow = (number: number): void => {
    setPicked(number);
    setListId(null);
    setCues(null);
  };
  const pickList = (name: string): void => {
    setListId(name);
    setCues(null);
  };
  return { others, named, show, other, from, cues, setCues, start, setStart, taken, pickShow, pickList, consider };
}
