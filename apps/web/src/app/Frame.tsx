import { CircleDot, Moon, Redo2, Sun, Undo2 } from "lucide-react";
import { Suspense, useCallback, useEffect, useState } from "react";
import { NavLink, Outlet, useMatch, useParams } from "react-router";
import { useChoice } from "../choice/choice.ts";
import { ShowMenu } from "../file/ShowMenu.tsx";
import { HandSheet } from "../hand/HandSheet.tsx";
import { Inspector } from "../inspector/Inspector.tsx";
import { ListMenu } from "../lists/ListMenu.tsx";
import { LineEntry } from "../line/LineEntry.tsx";
import { cueName } from "../shared/words.ts";
import { useLive, useLiveShow } from "../show/live.ts";
import { type OpenShow, ShowContext, useHistory, useOpenShow } from "../show/useShow.ts";
import { useStageLook } from "../stage/stageLook.ts";
import { KeysDialog, fetchTheRest, RecordSheet, UpdateSheet } from "./later.ts";
import { Notices } from "./Notices.tsx";
import { currentTheme, setTheme } from "./theme.ts";
import { useFrameKeys } from "./useFrameKeys.ts";

/** The frame around every view: the bar above, the view, the inspector, the line entry below. */
export function Frame() {
  const { showId } = useParams();
  const id = Number(showId);
  const show = useOpenShow(id);
  if (show.error) return <p className="p-8 text-error">{show.error.message}</p>;
  if (!show.data) return <p className="p-8 text-quiet">Opening the show …</p>;
  return (
    <ShowContext.Provider value={show.data}>
      <OpenFrame show={show.data} />
    </ShowContext.Provider>
  );
}

function OpenFrame({ show }: { show: OpenShow }) {
  useLiveShow(show.id);
  const stage = useMatch("/show/:id/stage") !== null;
  const rig = useMatch("/show/:id/rig/*") !== null;
  const run = useMatch("/show/:id/run") !== null;
  const showsStage = useStageLook((look) => look.shows === "stage");
  const cueChosen = useChoice((choice) => choice.cueEnd !== null);
  const live = run || (stage && (showsStage || !cueChosen));
  const drawer = useChoice((choice) => choice.drawer);
  const [keys, setKeys] = useState(false);
  const showKeys = useCallback(() => setKeys(true), []);
  useFrameKeys(showKeys, live);
  useEffect(() => void setTimeout(fetchTheRest, 300), []);
  return (
    <div className={`flex h-full flex-col ${live ? "border-2 border-error" : "border-2 border-transparent"}`}>
      <TopBar show={show} live={live} />
      <div className="relative flex min-h-0 flex-1">
        <main className="min-w-0 flex-1">
          <Outlet />
        </main>
        {!run && <Inspector view={stage ? (live ? "stage" : "stageBlind") : rig ? "rig" : "cue"} />}
        <Suspense fallback={null}>
          {drawer === "record" && <RecordSheet />}
          {drawer === "update" && <UpdateSheet />}
        </Suspense>
      </div>
      <HandSheet />
      <LineEntry blind={!live} />
      <Notices />
      <Suspense fallback={null}>{keys && <KeysDialog onClose={() => setKeys(false)} />}</Suspense>
    </div>
  );
}

const VIEWS = [
  ["score", "Score"],
  ["stage", "Stage"],
  ["run", "Run"],
  ["rig", "Rig"],
] as const;

function TopBar({ show, live }: { show: OpenShow; live: boolean }) {
  const history = useHistory();
  const cue = useLive((state) => state.run?.playback.cue ?? null);
  const connected = useLive((state) => state.connected);
  return (
    <header className="flex h-11 shrink-0 items-center gap-2 border-b border-rule px-3">
      <ShowMenu title={show.sheet.show.title} />
      <ListMenu />
      <nav aria-label="Views" className="flex h-full items-stretch gap-1">
        {VIEWS.map(([path, label]) => (
          <NavLink
            key={path}
            to={`/show/${show.id}/${path}`}
            className={({ isActive }) =>
              `flex items-center border-b-2 px-3 ${isActive ? "border-primary font-bold" : "border-transparent text-quiet hover:text-base-content"}`
            }
          >
            {label}
          </NavLink>
        ))}
      </nav>
      <span className="flex-1" />
      <button
        type="button"
        className="btn btn-ghost btn-sm gap-1.5"
        title="Record a cue (r)"
        onClick={() => useChoice.setState({ drawer: "record" })}
      >
        <CircleDot size={15} /> Record
      </button>
      <button
        type="button"
        className="btn btn-ghost btn-sm gap-1.5"
        disabled={show.canUndo === null}
        title={show.canUndo ? `Take back: ${show.canUndo}` : "Nothing to take back"}
        onClick={() => void history("undo")}
      >
        <Undo2 size={15} /> Undo
      </button>
      <button
        type="button"
        className="btn btn-ghost btn-sm btn-square"
        aria-label="Redo"
        disabled={show.canRedo === null}
        title={show.canRedo ? `Make again: ${show.canRedo}` : "Nothing to make again"}
        onClick={() => void history("redo")}
      >
        <Redo2 size={15} />
      </button>
      <ThemeButton />
      <span
        role="status"
        className={`badge h-7 gap-1.5 px-3 whitespace-nowrap ${connected ? (live ? "border-error bg-transparent text-error" : "border-primary bg-transparent text-base-content") : "badge-error"}`}
      >
        {!connected
          ? "No line to the server"
          : cue === null
            ? live
              ? "Live, nothing fired"
              : "Blind, nothing on stage"
            : live
              ? `Live, cue ${cue}`
              : `Blind, on stage ${cueName({ number: cue })}`}
      </span>
    </header>
  );
}

function ThemeButton() {
  const [theme, set] = useState(currentTheme());
  const other = theme === "desk" ? "foolscap" : "desk";
  return (
    <button
      type="button"
      className="btn btn-ghost btn-sm btn-square"
      aria-label={other === "desk" ? "Dark: desk" : "Light: foolscap"}
      title={other === "desk" ? "Dark: desk" : "Light: foolscap"}
      onClick={() => {
        setTheme(other);
        set(other);
      }}
    >
      {theme === "desk" ? <Sun size={15} /> : <Moon size={15} />}
    </button>
  );
}
