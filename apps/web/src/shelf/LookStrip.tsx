import { type HeldLook, type LookRun } from "@zm/core";
import { Lightbulb, Trash2 } from "lucide-react";
import { usePress } from "../show/run/usePress.ts";
import { useRunTime } from "../show/run/useRunTime.ts";
import { DropMenu, MenuEntry, MenuRule, NamedEntry, SecondsEntry } from "../shared/DropMenu.tsx";
import { openLookValues } from "../shared/dialogs.ts";
import { notify } from "../shared/notices.ts";
import { useMakeEdits, useMakeEditsInTurn } from "../show/useShow.ts";
import { Fader } from "./Fader.tsx";
import { RankEntries } from "./RankEntries.tsx";
import { SoloButton } from "./SoloButton.tsx";
import { Strip } from "./Strip.tsx";
import { StripLevel } from "./StripLevel.tsx";
import { useHeldButton } from "./useHeldButton.ts";
import { shownAt } from "../show/run/shownAt.ts";

/** While a bump is held it is said again so often; milliseconds. */
const BUMPING = 500;

/** A held look on its fader. */
export function LookStrip({ look, run }: { look: HeldLook; run: LookRun | undefined }) {
  const now = useRunTime();
  const press = usePress();
  const level = run ? shownAt(run.level, now) : 0;
  const move = (to: number): void => void press({ press: "look", look: look.id, level: to });
  const hold = (held: boolean): void => void press({ press: "bump", look: look.id, held });
  // Held for as long as it is said again: where this window goes, so does the bump.
  const heldButton = useHeldButton(
    () => hold(true),
    () => hold(false),
    { every: BUMPING, act: () => hold(true) },
  );
  const name = look.label || look.id;
  return (
    <Strip
      name={name}
      kind={{ icon: <Lightbulb size={13} />, words: "a held look" }}
      state={level > 0 ? `up, ${look.levels ?? "highest"}` : (look.levels ?? "highest")}
      on={level > 0}
      fader={<Fader label={`${name}, level`} value={level} onMove={move} />}
      menu={<LookMenu look={look} />}
    >
      <StripLevel label={name} value={level} onTake={move} />
      {look.button === "latch" ? (
        <button
          type="button"
          className="btn btn-xs h-7 border-neutral px-1 aria-pressed:border-secondary aria-pressed:text-secondary"
          aria-pressed={level > 0}
          title="Full; once more, out"
          onClick={() => move(level > 0 ? 0 : 100)}
        >
          {level > 0 ? "Off" : "On"}
        </button>
      ) : (
        <button type="button" className="btn btn-xs h-7 border-neutral px-1" title="Full while it is pressed" {...heldButton}>
          Bump
        </button>
      )}
      <span className="flex gap-1">
        <button type="button" className="btn btn-xs h-7 flex-1 border-neutral px-1" onClick={() => move(0)} disabled={level === 0}>
          Out
        </button>
        <SoloButton of={{ look: look.id }} name={name} />
      </span>
    </Strip>
  );
}

function LookMenu({ look }: { look: HeldLook }) {
  const makeEdits = useMakeEdits();
  const makeInTurn = useMakeEditsInTurn();
  const set = (change: Partial<HeldLook>): void =>
    void makeInTurn(({ show }) => {
      const standing = show.heldLooks?.find(({ id }) => id === look.id);
      return standing ? [{ op: "setHeldLook", look: { ...standing, ...change } }] : [];
    });
  const remove = async (): Promise<void> => {
    if (await makeEdits([{ op: "removeHeldLook", look: look.id, used: "drop" }]))
      notify(`The held look ${look.label || look.id} is removed. Ctrl Z brings it back`, "word", { of: "step" });
  };
  return (
    <DropMenu label="" name={`More of ${look.label || look.id}`} button="min-h-7 h-7 px-0.5" list="w-64">
      <NamedEntry label="Name of this look" placeholder="name, then Enter" value={look.label} onName={(label) => set({ label })}>
        Rename …
      </NamedEntry>
      <MenuEntry onAct={() => openLookValues(look.id)}>Its values …</MenuEntry>
      <SecondsEntry
        label="Seconds in which its colours and positions come"
        placeholder="seconds, then Enter"
        value={String(look.fade ?? 1)}
        onSeconds={(fade) => set({ fade })}
      >
        Its colours and positions come in {look.fade ?? 1} s …
      </SecondsEntry>
      <MenuEntry onAct={() => set({ button: look.button === "latch" ? undefined : "latch" })}>
        {look.button === "latch" ? "Let its button be full while it is held" : "Let its button stay on until it is pressed again"}
      </MenuEntry>
      <RankEntries priority={look.priority ?? 50} levels={look.levels ?? "highest"} onSet={set} />
      <MenuRule />
      <MenuEntry onAct={remove}>
        <Trash2 size={15} /> Remove this look
      </MenuEntry>
    </DropMenu>
  );
}
