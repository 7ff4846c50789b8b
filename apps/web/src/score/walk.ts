import { type ListSheet, findRow } from "@zm/core";
import { useChoice } from "../choice/choice.ts";
import { type ScoreLayout, channelsBetween } from "./columns.ts";

const STEPS: Readonly<Record<string, { rows: number; columns: number }>> = {
  ArrowUp: { rows: -1, columns: 0 },
  ArrowDown: { rows: 1, columns: 0 },
  ArrowLeft: { rows: 0, columns: -1 },
  ArrowRight: { rows: 0, columns: 1 },
  PageUp: { rows: -15, columns: 0 },
  PageDown: { rows: 15, columns: 0 },
  Home: { rows: -1e6, columns: 0 },
  End: { rows: 1e6, columns: 0 },
};

/** Walks the cells with the arrow keys; with shift the chosen block grows. False for a key that does not walk. */
export function moveFocus(event: Pick<KeyboardEvent, "key" | "shiftKey">, list: ListSheet, layout: ScoreLayout): boolean {
  const step = STEPS[event.key];
  if (!step) return false;
  const choice = useChoice.getState();
  const row = clamp((choice.cueEnd === null ? -1 : findRow(list, choice.cueEnd)) + step.rows, list.cues.length);
  const at = layout.columns.findIndex((column) => choice.channelEnd !== null && column.channels.includes(choice.channelEnd));
  const column = layout.columns[clamp(at + step.columns, layout.columns.length)];
  const cue = list.cues[row]?.number;
  if (cue === undefined || !column) return true;
  const light = at < 0 && step.columns === 0 ? null : column;
  if (event.shiftKey && choice.cue !== null) {
    const from = choice.channel ?? column.channel;
    useChoice.setState({
      cueEnd: cue,
      ...(light ? { channel: from, channelEnd: light.channel, channels: channelsBetween(layout, from, light.channel) } : {}),
    });
    return true;
  }
  const chosen = light ? { channel: light.channel, channelEnd: light.channel, channels: light.channels } : {};
  useChoice.setState({ cue, cueEnd: cue, operation: null, draft: null, ...chosen });
  return true;
}

function clamp(value: number, count: number): number {
  return Math.min(count - 1, Math.max(0, value));
}
