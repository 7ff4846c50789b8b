import { count, listOf } from "@zm/core";
import { ChevronLeft, ChevronRight, X } from "lucide-react";
import { usePress } from "../show/run/usePress.ts";
import { useShortcut } from "../shared/useShortcut.ts";
import { useHand } from "../show/handStore.ts";
import { useLive } from "../show/live.ts";
import { useShow } from "../show/useShow.ts";
import { DropMenu, NamedEntry } from "../shared/DropMenu.tsx";
import { LookStrip } from "./LookStrip.tsx";
import { ListStrip } from "./ListStrip.tsx";
import { useKeepLook } from "../show/hand/useKeepLook.ts";
import { useShelf } from "./useShelf.ts";

/** So many strips stand side by side. */
const PAGE = 8;

/** The shelf: held looks and side lists on faders, under any view. */
export function Shelf() {
  const { sheet } = useShow();
  const run = useLive((live) => live.run);
  const page = useShelf((shelf) => shelf.page);
  const main = listOf(sheet);
  const strips = [
    ...(sheet.show.heldLooks ?? []).map((look) => <LookStrip key={`look ${look.id}`} look={look} run={run?.mix.looks.get(look.id)} />),
    ...[...sheet.lists.values()]
      .filter((list) => list !== main)
      .map((list) => <ListStrip key={`list ${list.id}`} list={list} run={run?.mix.lists.get(list.id)} />),
  ];
  const pages = Math.max(1, Math.ceil(strips.length / PAGE));
  const shown = Math.min(page, pages - 1);
  const turn = (by: number): void => useShelf.setState({ page: Math.min(pages - 1, Math.max(0, shown + by)) });
  return (
    <section aria-label="Shelf" className="shrink-0 border-t border-primary bg-base-200 px-3 py-2">
      <div className="mb-1.5 flex h-7 items-center gap-3">
        <h2 className="font-bold">Shelf</h2>
        <NewLook />
        <StandbySet />
        <span className="flex-1" />
        {pages > 1 && (
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
      {strips.length === 0 ? (
        <p className="flex h-[184px] items-center text-quiet">
          Nothing is on the shelf yet. Give some lights a value and make a held look of it, or make a second list in the list menu: it comes
          here on a fader.
        </p>
      ) : (
        <div className="flex h-[184px] gap-2 overflow-x-auto">{strips.slice(shown * PAGE, (shown + 1) * PAGE)}</div>
      )}
    </section>
  );
}

/** What waits to go together, and the press that fires it. */
function StandbySet() {
  const press = usePress();
  const { sheet } = useShow();
  const standby = useLive((live) => live.run?.mix.standby) ?? [];
  const fire = (): void => {
    if (standby.length > 0) void press({ press: "fire" });
  };
  useShortcut("fireSet", fire);
  if (standby.length === 0) return null;
  const words = standby.map(({ list, cue }) => `${sheet.lists.get(list)?.list.label ?? list} ${cue}`).join(", ");
  return (
    <span className="flex min-w-0 items-center gap-2">
      <span className="truncate text-secondary">set: {words}</span>
      <button type="button" className="btn btn-xs h-7 border-secondary" title="Fires exactly these, together (Ctrl Shift G)" onClick={fire}>
        Fire the set
      </button>
    </span>
  );
}

/** Makes a held look: of what is in hand, or of what is on stage. */
function NewLook() {
  const keepLook = useKeepLook();
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
    </DropMenu>
  );
}
