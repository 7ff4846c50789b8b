import { dropNotices, notify, tellTrouble, tellsOfActions } from "../shared/notices.ts";
import { Refusal, api } from "./api.ts";

/** What somebody did: its words, and how it is done once more. */
export interface UserAction {
  readonly show: number;
  readonly words: () => string;
  /** Left out where doing it again could do something else meanwhile. */
  readonly again?: () => unknown;
}

/** Something that was asked while the server or its database was away, so that nobody knows whether it is stored. */
interface Unsettled extends UserAction {
  readonly request: string;
}

/** While something is unsettled the server is asked again so often; milliseconds. */
const AGAIN = 3000;

let unsettled: readonly Unsettled[] = [];
let asking: Promise<void> | null = null;
let timer: ReturnType<typeof setTimeout> | undefined;

/**
 * Tells why something was not done, and what it was. Where the server or its database is away this stays until they are back;
 * then it is told whether it was stored, and what was not can be done once more.
 */
export function tellRefused(error: unknown, action: UserAction): void {
  if (!isUnsettled(error)) return tellTrouble(error, "refused");
  const words = action.words();
  notify(`${words}\n${error.message}`, "trouble", { of: `action ${words}`, lasting: true });
  unsettled = [...unsettled, { ...action, request: error.request }];
  askAgain();
}

/** Something was pressed and not answered since the server was heard last. */
let pressedInVain = false;

/** Tells why a press on what runs was not done. What came of one that was not answered is seen when the server is back. */
export function tellPressRefused(error: unknown, words: string): void {
  if (!(error instanceof Refusal) || !error.unanswered) return tellTrouble(error);
  pressedInVain = true;
  notify(`${words}\nThe server does not answer. When it is back it says what is on stage; look before you press again.`, "trouble", {
    of: "press",
  });
}

/** The server is back, and this cue on stage: what was pressed in vain has nothing more to be told of it. */
export function tellOnStageAgain(cue: string | null): void {
  if (!pressedInVain) return;
  pressedInVain = false;
  dropNotices("press");
  notify(cue === null ? "The server is back; nothing is on stage" : `The server is back; cue ${cue} is on stage`);
}

/** True where nobody knows yet whether something was stored: that is told by itself, and what became of it later. */
export function isUnsettled(error: unknown): error is Refusal & { readonly request: string } {
  return error instanceof Refusal && error.passing && error.request !== null;
}

/** What was refused before and is done now has nothing more to be told of it. */
export function tellDone(action: UserAction): void {
  dropNotices("refused");
  // Nearly always nothing is told, and the words of a large edit need not be made.
  if (unsettled.length === 0 && !tellsOfActions()) return;
  const words = action.words();
  unsettled = unsettled.filter((one) => one.show !== action.show || one.words() !== words);
  dropNotices(`action ${words}`);
}

/** Asks what became of everything that is unsettled; when server and database are back. */
export function settle(): Promise<void> {
  asking ??= settleEach().finally(() => {
    asking = null;
    askAgain();
  });
  return asking;
}

function askAgain(): void {
  clearTimeout(timer);
  if (unsettled.length > 0) timer = setTimeout(() => void settle(), AGAIN);
}

async function settleEach(): Promise<void> {
  for (const one of unsettled) {
    const stored = await api.isStored(one.show, one.request).then(
      (reply) => reply.stored,
      (error: unknown) => (error instanceof Refusal && error.passing ? undefined : false),
    );
    if (stored === undefined) return;
    unsettled = unsettled.filter((other) => other !== one);
    const words = one.words();
    dropNotices(`action ${words}`);
    if (stored) notify(`Stored after all: ${words}`);
    else
      notify(`Not stored: ${words}`, "trouble", {
        of: `action ${words}`,
        ...(one.again ? { action: { word: "Do it now", run: one.again } } : {}),
      });
  }
}
