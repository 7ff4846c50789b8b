import { nameOfOther } from "@zm/protocol";
import { useEffect } from "react";
import { useNavigate } from "react-router";
import { chooseCues, chooseLights, chooseList, chooseNothing } from "../choice/selection.ts";
import { lookAt } from "../choice/sheetView.ts";
import { dropNotices, notify } from "../shared/notices.ts";
import { follow, useOthers } from "../show/presence.ts";
import { useMainList } from "../show/useShow.ts";

/** While another window is followed this one shows what that shows. A key or a press here ends it: from then on it is one's own again. */
export function useFollowing(show: number): void {
  const navigate = useNavigate();
  const main = useMainList().id;
  const here = useOthers(({ others, followed }) => others.find(({ window }) => window === followed));
  useEffect(() => {
    if (!here) return;
    void navigate(`/show/${show}/${here.view}`);
    chooseList(here.list);
    if (here.cue === null) chooseNothing();
    else {
      chooseCues(here.cue, here.cueEnd ?? here.cue);
      lookAt(here.list ?? main, here.cueEnd ?? here.cue);
    }
    if (here.channels.length > 0) chooseLights(here.channels);
  }, [here, main, navigate, show]);
  const name = here && nameOfOther(here.name);
  useEffect(() => {
    if (name === undefined) return;
    notify(`You see what ${name} sees; a key or a press ends it`, "word", { of: "following", lasting: true });
    const end = (): void => {
      dropNotices("following");
      follow(null);
    };
    document.addEventListener("pointerdown", end, true);
    document.addEventListener("keydown", end, true);
    return () => {
      document.removeEventListener("pointerdown", end, true);
      document.removeEventListener("keydown", end, true);
      dropNotices("following");
    };
  }, [name]);
}
