import {
  type HandOperation,
  type ShowSheet,
  giveMoves,
  giveWaves,
  heldNames,
  hexOf,
  homeMoves,
  litMoves,
  mixMovesOf,
  movementWaves,
  operationWords,
  waveWords,
} from "@zm/core";
import { chooseLights } from "../../choice/selection.ts";
import { useStageLook } from "../../picture/stageLook.ts";
import { unlessRefused } from "../../shared/unlessRefused.ts";
import { lightWords } from "../../shared/words.ts";
import { otherLitLights } from "../../show/hand/litLights.ts";
import { useHand } from "../../show/handStore.ts";
import { type LineTools, defineRequest } from "./kind.ts";

export const hand = defineRequest("hand", {
  needs: "run",
  isLocal: true,
  words: ({ operation }, { sheet }) => handWords(operation, sheet),
  run: ({ operation, channels }, tools) => {
    if (channels) chooseLights(channels);
    // What goes live is seen live.
    useStageLook.setState({ shows: "stage" });
    return change(operation, channels ?? [], tools);
  },
});

function change(operation: HandOperation, channels: readonly number[], tools: LineTools): boolean {
  const { sheet, outputOf } = tools;
  const others = (wanted: boolean): number[] => (wanted ? otherLitLights(sheet, outputOf, channels) : []);
  switch (operation.kind) {
    case "give":
      return tools.give(operation.selection, operation.operation, others(operation.othersOut));
    case "home":
      return tools.home(operation.selection, others(operation.othersOut));
    case "movement": {
      const waves = unlessRefused(() => movementWaves(sheet.keys, operation.selection.channels, operation.movement));
      return waves !== undefined && tools.change({ do: "wave", waves });
    }
    case "mix":
      return tools.mix(operation.selection.channels, operation.light, others(operation.othersOut));
    case "lit":
      return tools.lit(operation.selection.channels, others(operation.othersOut));
    case "time":
      return tools.time(operation.selection, operation.wish);
    case "pace":
      return tools.applyPace(operation.selection, operation.pace);
    case "wave":
      return tools.giveWave(operation.selection, operation.wave);
    case "inTime":
      return tools.change({ do: "inTime", on: operation.on });
    case "restoreDropped":
      return tools.change({ do: "restoreDropped" });
    case "drop":
      tools.drop(heldNames(sheet, useHand.getState().hand, operation.selection, operation.waves));
      return true;
  }
}

/** How what is given to the Hand takes hold. */
const IN_TIME_WORDS = {
  times: "What is given takes hold in its own delay, fade and curve from now on",
  once: "What is given takes hold at once from now on",
} as const;

/** What is done to the Hand, in words. Throws ShowError for what the chosen lights cannot do. */
function handWords(operation: HandOperation, sheet: ShowSheet): string {
  if (operation.kind === "inTime") return `${IN_TIME_WORDS[operation.on ? "times" : "once"]}. Enter does it`;
  if (operation.kind === "restoreDropped") return "Takes up again what was dropped last. Enter does it";
  if (operation.kind === "movement") {
    const { movement, selection } = operation;
    movementWaves(sheet.keys, selection.channels, movement);
    return `In hand, live: ${lightWords(selection.channels)} move as ${movement.label}: ${movement.waves.map(({ attribute }) => attribute).join(", ")}. Enter gives it`;
  }
  if (operation.kind === "mix") {
    mixMovesOf(sheet.keys, operation.selection.channels, operation.light);
    return `In hand, live: ${lightWords(operation.selection.channels)} in this colour, as near as each comes to it (${hexOf(operation.light)}). Enter gives it`;
  }
  if (operation.kind === "lit") {
    litMoves(sheet.keys, operation.selection.channels);
    return `In hand, live: ${lightWords(operation.selection.channels)} at full, everything else at home${operation.othersOut ? ", others out" : ""}. Enter gives it`;
  }
  const { channels, attributes, families } = operation.selection;
  const named = [...(attributes ?? []), ...(families ?? [])];
  const lights = channels ? lightWords(channels) : "all lights";
  const whose = [lights, ...named].join(", ");
  const whole = named.length === 0 ? `${lights}, all families` : whose;
  switch (operation.kind) {
    case "drop":
      return `Drops from the Hand: ${operation.waves ? `waves of ${whose}` : whole}. Enter does it`;
    case "wave":
      giveWaves(sheet, operation.selection, operation.wave);
      return `In hand, live: ${whose} ${waveWords(operation.wave)}. Enter gives it`;
    case "pace":
      return `In hand, live: ${whose}, pace ${operation.pace}. Enter does it`;
    case "time":
      return `In hand, live: ${whose}, ${timeWords(operation.wish)}. Enter does it`;
    case "home":
      homeMoves(sheet.keys, operation.selection);
      return `In hand, live: ${named.length === 0 ? `${lights}, all but the level` : whose} home${othersWords(operation)}. Enter gives it`;
    case "give": {
      giveMoves(sheet, operation.selection, operation.operation, () => 0);
      const given = "release" in operation.operation ? whole : whose;
      return `In hand, live: ${given} ${operationWords(operation.operation)}${othersWords(operation)}. Enter gives it`;
    }
  }
}

function othersWords({ othersOut }: { othersOut: boolean }): string {
  return othersOut ? ", and every other light that is lit goes out" : "";
}

function timeWords({ fade, delay, curve }: Extract<HandOperation, { kind: "time" }>["wish"]): string {
  return [fade == null ? "" : `fade ${fade}`, delay == null ? "" : `delay ${delay}`, curve ?? ""].filter(Boolean).join(" ");
}
