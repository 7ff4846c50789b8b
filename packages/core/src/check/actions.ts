import type { Action, Cue } from "../show/schema.ts";
import type { ListSheet } from "../sheet/sheet.ts";
import type { CheckContext } from "./context.ts";
import { type Finding, findingAt } from "./finding.ts";

/**
 * Lists that a cue starts and no later cue lets go of, releases of what nothing starts, and actions that start each other round and round
 * (docs/running.md, Actions).
 * Told at the cue that starts or releases. Findings: `never-stopped`, `not-running`, `action-loop`.
 */
export function checkActions(context: CheckContext): Finding[] {
  if (!context.list.cues.some(({ actions = [] }) => actions.length > 0)) return [];
  return [...neverStopped(context), ...notRunning(context), ...loops(context)];
}

/** An action with the row of the cue that does it. */
interface Done {
  readonly row: number;
  readonly action: Action;
}

function actionsOf(list: Pick<ListSheet, "cues"> | undefined): Done[] {
  return (list?.cues ?? []).flatMap(({ actions = [] }, row) => actions.map((action) => ({ row, action })));
}

/** The actions in cues of other lists: which of them come before a cue nobody knows before the show. */
function actionsElsewhere({ sheet, list }: CheckContext): Action[] {
  return [...sheet.lists.values()].filter(({ id }) => id !== list.id).flatMap((other) => actionsOf(other).map(({ action }) => action));
}

/** The list that an action speaks of by its name; undefined for one of its own list, of a look or of a tempo. */
function listIn(action: Action): string | undefined {
  return "list" in action ? action.list : undefined;
}

/** True for an action that makes a list run. */
function starts(action: Action): boolean {
  return action.do === "start" || action.do === "go" || action.do === "goto";
}

/** Tells of each list that runs on behind the last cue: started, and let go of by no later cue, nor by itself. */
function neverStopped(context: CheckContext): Finding[] {
  const running = new Map<string, number>();
  for (const { row, action } of actionsOf(context.list)) {
    const spoken = listIn(action);
    if (spoken === undefined) continue;
    if (action.do === "release") running.delete(spoken);
    else if (starts(action) && !running.has(spoken)) running.set(spoken, row);
  }
  const letGoElsewhere = new Set(actionsElsewhere(context).flatMap((action) => (action.do === "release" ? [listIn(action)] : [])));
  return [...running].flatMap(([id, row]) => {
    const other = context.sheet.lists.get(id);
    if (!other || id === context.list.id || other.cues.some(letsItselfGo) || letGoElsewhere.has(id)) return [];
    const cue = context.list.cues[row]?.number ?? "";
    const name = other.list.label || id;
    const message = `Cue ${cue} starts list ${name}, and no later cue lets it go: it runs until somebody does that by hand. Release it in the cue in which it should end.`;
    return [findingAt(context, "never-stopped", row, null, message)];
  });
}

/** True for a cue that lets go of its own list. */
function letsItselfGo({ actions = [] }: Cue): boolean {
  return actions.some((action) => action.do === "release" && action.list === undefined);
}

/** Tells of a release of a list that nothing in the show has started before it. */
function notRunning(context: CheckContext): Finding[] {
  const started = new Set(actionsElsewhere(context).filter(starts).map(listIn));
  return actionsOf(context.list).flatMap(({ row, action }) => {
    const spoken = listIn(action);
    if (spoken === undefined) return [];
    if (starts(action)) started.add(spoken);
    if (action.do !== "release" || started.has(spoken) || spoken === context.list.id) return [];
    const cue = context.list.cues[row];
    if (!cue) return [];
    const message = `Cue ${cue.number} lets go of list ${spoken}, which no cue starts before it: unless somebody starts it by hand, there is nothing to let go. Start it in a cue before, or take the release out.`;
    const actions = (cue.actions ?? []).filter((each) => each !== action);
    const mend = [{ op: "setCue" as const, from: cue.number, to: cue.number, actions: actions.length > 0 ? actions : null }];
    return [findingAt(context, "not-running", row, null, message, mend)];
  });
}

/** Tells of a cue whose Go leads back to its own list at the same moment: each `go` fires another cue, so that it never ends. */
function loops(context: CheckContext): Finding[] {
  return actionsOf(context.list).flatMap(({ row, action }) => {
    if (action.do !== "go" || (action.after ?? 0) > 0 || !leadsTo(context, action.list, context.list.id)) return [];
    const cue = context.list.cues[row]?.number ?? "";
    const message = `Cue ${cue} fires the next cue of list ${action.list} at once, and that leads back to this list at the same moment: they start each other round and round. Let one of them wait, or take one of these actions out.`;
    return [findingAt(context, "action-loop", row, null, message)];
  });
}

/** True where a Go on a list may fire another at the same moment, by actions of its cues that do not wait. */
function leadsTo({ sheet }: Pick<CheckContext, "sheet">, from: string, to: string, seen = new Set<string>()): boolean {
  if (from === to) return true;
  if (seen.has(from)) return false;
  seen.add(from);
  const next = actionsOf(sheet.lists.get(from)).flatMap(({ action }) =>
    action.do === "go" && (action.after ?? 0) === 0 ? [action.list] : [],
  );
  return next.some((list) => leadsTo({ sheet }, list, to, seen));
}
