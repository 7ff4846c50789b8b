import { count, freeId, listOf, looksListEdit, newTempo } from "@zm/core";
import { ChevronLeft, ChevronRight, X } from "lucide-react";
import { useStandby, useStandbySet } from "../show/run/useStandby.ts";
import { useHand } from "../show/handStore.ts";
import { useLive } from "../show/live.ts";
import { useMakeEdits, useShow } from "../show/useShow.ts";
import { openStandby } from "../shared/dialogs.ts";
import { notify } from "../shared/notices.ts";
import { DropMenu, NamedEntry } from "../shared/DropMenu.tsx";
import { LookStrip } from "./LookStrip.tsx";
import { TempoStrip } from "./TempoStrip.tsx";
import { GrandStrip } from "./GrandStrip.tsx";
import { ListStrip } from "./ListStrip.tsx";
import { useKeepLook } from "../show/hand/useKeepLook.ts";
import { OwnPage } from "./OwnPage.tsx";
import { NewPage, PageMenu } from "./PageMenus.tsx";
import { useShelf } from "./useShelf.ts";

/** So many strips are there in every show: everything, and the main list. */
const ALWAYS = 2;
/** The last page, however many there are. */
const LAST_PAGE = 999;
/** Beats a minute of a tempo that nobody has tapped yet. */
const FIRST_TEMPO = 60;
/** So many strips stand side by side. */
const PAGE = 8;

/** The shelf: held looks and side lists on faders, under any view. */
export function Shelf() {
  const { sheet } = useShow();
  const run = useLive((live) => live.run);
  const { page, own: ownId } = useShelf();
  const own = sheet.show.pages?.find(({ id }) => id === ownId);
  const main = listOf(sheet);
  const strips = [
    <GrandStrip key="everything" />,
    <ListStrip key={`list ${main.id}`} list={main} run={run?.mix.lists.get(main.id)} isMain />,
    ...(sheet.show.heldLooks ?? []).map((look) => <LookStrip key={`look ${look.id}`} look={look} run={run?.mix.looks.get(look.id)} />),
    ...[...sheet.lists.values()]
      .filter((list) => list !== main)
      .map((list) => <ListStrip key={`list ${list.id}`} list={list} run={run?.mix.lists.get(list.id)} />),
    ...(sheet.show.tempos ?? []).map((tempo) => <TempoStrip key={`tempo ${tempo.id}`} tempo={tempo} />),
  ];
  const pages = Math.max(1, Math.ceil(strips.length / PAGE));
  const shown = Math.min(page, pages - 1);
  const turn = (by: number): void => useShelf.setState({ page: Math.min(pages - 1, Math.max(0, shown + by)) });
  return (
    <section aria-label="Shelf" className="shrink-0 border-t border-primary bg-base-200 px-3 py-2">
      <div className="mb-1.5 flex h-7 items-center gap-3">
        <h2 className="font-bold">Shelf</h2>
        <PageTabs shown={own?.id ?? null} />
        {own ? (
          <PageMenu key={own.id} page={own} />
        ) : (
          <>
            <NewLook />
            <NewTempo />
          </>
        )}
        <NewPage />
        <StandbySet />
        <span className="flex-1" />
        {own && <ArrangeButton />}
        {!own && pages > 1 && (
          <span className="flex items-center gap-1 text-quiet">
            <button
              type="button"
              className="btn btn-xs btn-square h-7 w-7"
              aria-label="Page before"
              onClick={() => turn(-1)}
              disabled={shown === 0}
            >
              <ChevronLeft size={15} />
            </button>
            page {shown + 1} of {pages}
            <button
              type="button"
              className="btn btn-xs btn-square h-7 w-7"
              aria-label="Next page"
              onClick={() => turn(1)}
              disabled={shown === pages - 1}
            >
              <ChevronRight size={15} />
            </button>
          </span>
        )}
        <button
          type="button"
          className="btn btn-xs btn-square h-7 w-7"
          aria-label="Close the shelf"
          title="Close the shelf (l)"
          onClick={() => useShelf.setState({ open: false })}
        >
          <X size={15} />
        </button>
      </div>
      {own ? (
        <OwnPage page={own} />
      ) : (
        <div className="flex h-[188px] gap-2 overflow-x-auto">
          {strips.slice(shown * PAGE, (shown + 1) * PAGE)}
          {strips.length === ALWAYS && (
            <p className="flex items-center px-4 text-quiet">
              Nothing of your own is on the shelf yet. Give some lights a value and make a held look of it, or make a second list in the
              list menu: it comes here on a fader.
            </p>
          )}
        </div>
      )}
    </section>
  );
}

/** All strips, or one of the pages that somebody made. */
function PageTabs({ shown }: { shown: string | null }) {
  const { show } = useShow().sheet;
  const pages = show.pages ?? [];
  if (pages.length === 0) return null;
  return (
    <span role="group" aria-label="Pages of the shelf" className="flex min-w-0 gap-1 overflow-x-auto">
      {[null, ...pages].map((page) => (
        <button
          key={page?.id ?? "all"}
          type="button"
          aria-pressed={shown === (page?.id ?? null)}
          className="btn btn-ghost btn-xs h-7 px-2 whitespace-nowrap aria-pressed:border-secondary aria-pressed:text-secondary"
          onClick={() => useShelf.setState({ own: page?.id ?? null, arranging: false })}
        >
          {page === null ? "All" : page.label || page.id}
        </button>
      ))}
    </span>
  );
}

/** Lets the places of a page be moved and taken off. */
function ArrangeButton() {
  const arranging = useShelf((shelf) => shelf.arranging);
  return (
    <button
      type="button"
      aria-pressed={arranging}
      className="btn btn-ghost btn-xs h-7 aria-pressed:border-secondary aria-pressed:text-secondary"
      onClick={() => useShelf.setState({ arranging: !arranging })}
    >
      {arranging ? "Done" : "Arrange"}
    </button>
  );
}

/** What waits to go together, and the press that fires it. */
function StandbySet() {
  const { sheet } = useShow();
  const standby = useStandbySet();
  const { fire } = useStandby();
  const words = standby.map(({ list, cue }) => `${sheet.lists.get(list)?.list.label ?? list} ${cue}`).join(", ");
  return (
    <span className="flex min-w-0 items-center gap-2">
      <button
        type="button"
        className="btn btn-ghost btn-sm border-neutral px-2"
        title="Chooses cues of any lists that go together with one press (typed: standby main #12, tower #3)"
        onClick={openStandby}
      >
        Standby set …
      </button>
      {standby.length > 0 && (
        <>
          <span className="truncate text-secondary">set: {words}</span>
          <button
            type="button"
            className="btn btn-xs h-7 border-secondary"
            title="Fires exactly these, together (Ctrl Shift G)"
            onClick={fire}
          >
            Fire the set
          </button>
        </>
      )}
    </span>
  );
}

/** Makes a tempo. */
function NewTempo() {
  const { sheet } = useShow();
  const makeEdits = useMakeEdits();
  const make = async (label: string): Promise<void> => {
    const tempo = newTempo(sheet.show, label, FIRST_TEMPO);
    if (!(await makeEdits([{ op: "setTempo", tempo }]))) return;
    // Tempos stand behind everything else.
    useShelf.setState({ page: LAST_PAGE });
    notify(`The tempo ${label} goes at ${FIRST_TEMPO} a minute: tap it on the shelf, or type tempo ${tempo.id} and its beats`);
  };
  return (
    <DropMenu label="New tempo" button="border-neutral" list="w-64">
      <NamedEntry label="Name of the new tempo" placeholder="name, then Enter" onName={make}>
        A beat that lists and waves share …
      </NamedEntry>
    </DropMenu>
  );
}

/** Makes a held look: of what is in hand, or of what is on stage. */
function NewLook() {
  const keepLook = useKeepLook();
  const { sheet } = useShow();
  const makeEdits = useMakeEdits();
  const looks = sheet.show.heldLooks ?? [];
  const gather = (label: string): Promise<boolean> => makeEdits([looksListEdit(looks, freeId(label, sheet.lists.keys()), label)]);
  const names = useHand((state) => Object.values(state.hand.held).filter((held) => "move" in held).length);
  return (
    <DropMenu label="New look" button="border-neutral" list="w-72">
      <NamedEntry
        label="Name of the new look, of what is in hand"
        placeholder="name, then Enter"
        onName={(label) => keepLook(label, "hand")}
      >
        {names > 0 ? `Of what is in hand: ${count(names, "value")} …` : "Of what is in hand (nothing is) …"}
      </NamedEntry>
      <NamedEntry
        label="Name of the new look, of what is on stage"
        placeholder="name, then Enter"
        onName={(label) => keepLook(label, "stage")}
      >
        Of the lights that are lit on stage …
      </NamedEntry>
      {looks.length > 0 && (
        <NamedEntry label="Name of the list of held looks" placeholder="name, then Enter" onName={gather}>
          Gather all held looks into a list …
        </NamedEntry>
      )}
    </DropMenu>
  );
}
