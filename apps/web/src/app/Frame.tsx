import { useSuspenseQuery } from "@tanstack/react-query";
import { CircleDot, CircleQuestionMark, Contrast, Search, SlidersVertical } from "lucide-react";
import { Suspense, memo, useDeferredValue, useEffect, useState } from "react";
import { NavLink, Outlet, useMatch, useNavigation, useParams } from "react-router";
import { useSelection } from "../choice/selection.ts";
import { openDrawer, useSheetView } from "../choice/sheetView.ts";
import { ShowMenu } from "../file/ShowMenu.tsx";
import { HandListPlace, HandPanel } from "../hand/HandPanel.tsx";
import { Inspector } from "../inspector/Inspector.tsx";
import { ListMenu } from "../lists/ListMenu.tsx";
import { LineEntry } from "../line/LineEntry.tsx";
import { startPreviews, useWorkPreviews } from "../preview/usePreview.ts";
import { editsBlind, useLineText } from "../choice/lineText.ts";
import { useLiveShow } from "../show/live.ts";
import { type OpenShow, showQuery } from "../show/openShow.ts";
import { useWhyNot } from "../show/me.ts";
import { ShowContext } from "../show/useShow.ts";
import { useStageLook } from "../picture/stageLook.ts";
import { FindingCount } from "../check/FindingCount.tsx";
import { useAccepted } from "../show/accepted.ts";
import { useWorkChecks } from "../check/useWorkChecks.ts";
import { DropPlace } from "../exchange/DropPlace.tsx";
import { DamagedHand } from "./DamagedHand.tsx";
import { Dialogs } from "./Dialogs.tsx";
import { openHelp, openSearch, useDialogs } from "../shared/dialogs.ts";
import { PartBoundary } from "./PartBoundary.tsx";
import { ImportProgress } from "./ImportProgress.tsx";
import { HistoryButtons } from "./HistoryButtons.tsx";
import { loadLazyParts } from "../shared/lazyPart.ts";
import { toggleShelf, useShelf } from "../shelf/useShelf.ts";
import { useFollowing } from "../people/useFollowing.ts";
import { useTellHere } from "../people/useTellHere.ts";
import { PeopleButton, useHasPeople } from "../people/PeopleButton.tsx";
import { Troubles } from "../show/Troubles.tsx";
import { AskDrawer, NotesDrawer, PickDrawer, RecordDrawer, Shelf, UpdateDrawer } from "./parts.ts";
import { StageStatus } from "../stage/StageStatus.tsx";
import { currentTheme, setTheme } from "./theme.ts";
import { useFrameKeys } from "./useFrameKeys.ts";

/** While a show is read. */
export function Opening() {
  return <p className="p-8 text-quiet">Opening the show …</p>;
}

/** The frame around every view: the bar above, the view, the inspector, the line entry below. */
export function Frame() {
  const { showId } = useParams();
  const { data: show } = useSuspenseQuery(showQuery(Number(showId)));
  const before = useDeferredValue(show);
  const shown = show.whole && before.id === show.id ? before : show;
  const { location } = useNavigation();
  // What is typed while another show is on its way must not reach the one that was left.
  if (location && !location.pathname.startsWith(`/show/${showId}/`)) return <Opening />;
  return (
    <ShowContext.Provider value={shown}>
      <OpenFrame key={shown.id} show={shown} />
    </ShowContext.Provider>
  );
}

const OpenFrame = memo(function OpenFrame({ show }: { show: OpenShow }) {
  useLiveShow(show.id);
  useTellHere(show.id);
  useFollowing(show.id);
  useWorkPreviews();
  useWorkChecks();
  useAccepted();
  // Reading the show once more waits until the window stands.
  useEffect(() => {
    let end = (): void => undefined;
    const timer = setTimeout(() => (end = startPreviews(show.id)), 1500);
    return () => {
      clearTimeout(timer);
      end();
    };
  }, [show.id]);
  const view = useMatch("/show/:id/:view/*")?.params.view ?? "score";
  const [stage, run] = [view === "stage", view === "run"];
  const showsStage = useStageLook((look) => look.shows !== "cue");
  const cueChosen = useSelection((choice) => choice.cueEnd !== null);
  const live = run || (stage && (showsStage || !cueChosen));
  const drawer = useSheetView((choice) => choice.drawer);
  const { pick, ask, notes } = useDialogs();
  const shelf = useShelf((each) => each.open);
  useFrameKeys(live);
  // What cannot be loaded now is asked for again when it is wanted, and refused there.
  useEffect(() => void setTimeout(() => loadLazyParts().catch(() => undefined), 300), []);
  return (
    <div className={`flex h-full flex-col ${live ? "border-2 border-error" : "border-2 border-transparent"}`}>
      <h1 className="sr-only">
        {view === "log" ? "Run log" : VIEWS.find(([path]) => path === view)?.[1]}, {show.sheet.show.title}
      </h1>
      <TopBar show={show} live={live} />
      <DropPlace />
      <DamagedHand />
      <Troubles />
      <div className="relative flex min-h-0 flex-1">
        <main className="min-w-0 flex-1">
          <Outlet />
        </main>
        {!run && view !== "paper" && view !== "log" && (
          <PartBoundary what="The inspector">
            <Inspector
              view={
                stage
                  ? live
                    ? "stage"
                    : "stageBlind"
                  : view === "rig" || view === "check" || view === "history" || view === "planner" || view === "book"
                    ? view
                    : "cue"
              }
            />
          </PartBoundary>
        )}
        <PartBoundary key={drawer} what="The sheet">
          <Suspense fallback={null}>
            {drawer === "record" && <RecordDrawer />}
            {drawer === "update" && <UpdateDrawer />}
            {drawer === null && notes && <NotesDrawer />}
            {drawer === null && ask && <AskDrawer key={JSON.stringify(ask)} asked={ask} />}
            {drawer === null && pick && <PickDrawer key={JSON.stringify(pick)} pick={pick} />}
          </Suspense>
        </PartBoundary>
      </div>
      <HandListPlace />
      {shelf && (
        <PartBoundary what="The shelf">
          <Suspense fallback={null}>
            <Shelf />
          </Suspense>
        </PartBoundary>
      )}
      <PartBoundary what="The Hand">
        <HandPanel />
      </PartBoundary>
      <PartBoundary what="The line entry">
        <LineEntry blind={editsBlind(view)} />
      </PartBoundary>
      <Dialogs show={show.id} />
    </div>
  );
});

const VIEWS = [
  ["score", "Score"],
  ["stage", "Stage"],
  ["book", "Book"],
  ["planner", "Planner"],
  ["run", "Run"],
  ["rig", "Rig"],
  ["check", "Check"],
  ["history", "History"],
  ["paper", "Paper"],
] as const;

function TopBar({ show, live }: { show: OpenShow; live: boolean }) {
  return (
    <header
      data-tight={useHasPeople()}
      className="group/bar flex h-11 min-w-0 shrink-0 items-center gap-1 border-b border-rule px-3 max-[1200px]:gap-0 max-[1200px]:px-2 max-[1200px]:[&_.btn-square]:w-7"
    >
      <ShowMenu title={show.sheet.show.title} />
      <ListMenu />
      <nav aria-label="Views" className="flex h-full items-stretch">
        {VIEWS.map(([path, label]) => (
          <NavLink
            key={path}
            to={`/show/${show.id}/${path}`}
            // What is typed next belongs to the view that was asked for, even before it is there.
            onClick={() => useLineText.setState({ blind: editsBlind(path) })}
            className={({ isActive }) =>
              `flex items-center border-b-2 px-1.5 group-data-[tight=true]/bar:max-[1400px]:px-1 max-[1200px]:px-1 max-[1200px]:text-[14px] ${isActive ? "border-primary font-bold" : "border-transparent text-quiet hover:text-base-content"}`
            }
          >
            {label}
            {path === "check" && <FindingCount />}
          </NavLink>
        ))}
      </nav>
      <span className="flex-1" />
      <ImportProgress />
      <button
        type="button"
        className="btn btn-ghost btn-sm btn-square"
        aria-label="Find"
        title="Find a cue (Ctrl F)"
        onClick={() => openSearch()}
      >
        <Search size={15} />
      </button>
      <RecordButton />
      <ShelfButton />
      <HistoryButtons />
      <ThemeButton />
      <button
        type="button"
        className="btn btn-ghost btn-sm btn-square"
        aria-label="Help"
        title="Help, and how to begin (?)"
        onClick={openHelp}
      >
        <CircleQuestionMark size={15} />
      </button>
      <PeopleButton />
      <StageStatus live={live} />
    </header>
  );
}

/** Opens the record sheet; not there for those who do not edit. */
function RecordButton() {
  if (useWhyNot("edit") !== null) return null;
  return (
    <button type="button" className="btn btn-ghost btn-sm gap-1.5 px-1.5" title="Record a cue (r)" onClick={() => openDrawer("record")}>
      <CircleDot size={15} className="shrink-0" /> <span className="max-[1200px]:sr-only">Record</span>
    </button>
  );
}

function ShelfButton() {
  const open = useShelf((shelf) => shelf.open);
  return (
    <button
      type="button"
      aria-pressed={open}
      className="btn btn-ghost btn-sm gap-1.5 px-1.5 aria-pressed:text-primary"
      title="Held looks and side lists on faders (l)"
      onClick={toggleShelf}
    >
      <SlidersVertical size={15} className="shrink-0" />{" "}
      <span className="max-[1200px]:sr-only group-data-[tight=true]/bar:max-[1400px]:sr-only">Shelf</span>
    </button>
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
      {/* No lamp and no sun: beside those that are worked with, this is about the page. */}
      <Contrast size={15} className={theme === "desk" ? "" : "rotate-180"} />
    </button>
  );
}
