import { nameOfOther } from "@zm/protocol";
import { answer, capital, foundWords, listOf, notesWords } from "@zm/core";
import { editsBlind, useLineText } from "../../choice/lineText.ts";
import { openAsk, openBring, openHelp, openNotes, openNumbers, openSearch, openPeople, openSend, openTake } from "../../shared/dialogs.ts";
import { notify, tellTrouble } from "../../shared/notices.ts";
import { api } from "../../show/api.ts";
import { defineRequest } from "./kind.ts";
import { listAt } from "../listAt.ts";
import { isMine, keepCue, keptNow } from "../../show/kept.ts";

export const view = defineRequest("view", {
  isLocal: true,
  words: ({ view: asked }) => `Enter goes to ${capital(asked)}`,
  run: ({ view: asked }, { id, navigate }) => {
    // What is typed next belongs to the view that was asked for, even before it is there.
    useLineText.setState({ blind: editsBlind(asked) });
    void navigate(`/show/${id}/${asked}`);
    return true;
  },
});

export const find = defineRequest("find", {
  isLocal: true,
  words: ({ text }) => `Enter looks for cues with "${text}"`,
  run: ({ text }) => {
    openSearch(text);
    return true;
  },
});

export const ask = defineRequest("ask", {
  isLocal: true,
  words: ({ question }, { sheet, list }) => `${foundWords(answer(sheet, listOf(sheet, list), question))}. Enter lists them`,
  run: ({ question }) => {
    openAsk(question);
    return true;
  },
});

export const notes = defineRequest("notes", {
  isLocal: true,
  words: (_, { sheet }) => `Enter opens the notes: ${notesWords(sheet.show.notes ?? [])}`,
  run: () => {
    openNotes();
    return true;
  },
});

export const bringIn = defineRequest("bringIn", {
  isLocal: true,
  words: () => "Enter opens the place where files of others are brought in",
  run: () => {
    openBring();
    return true;
  },
});

export const sendOut = defineRequest("sendOut", {
  isLocal: true,
  words: () => "Enter opens the place where the show is written for others",
  run: () => {
    openSend();
    return true;
  },
});

export const backup = defineRequest("backup", {
  needs: "edit",
  isLocal: true,
  words: () => "Enter makes a backup of the show now",
  run: (_, { id }) => {
    void api.backUp(id).then(({ file }) => notify(`Backed up, and read back: ${file}`), tellTrouble);
    return true;
  },
});

export const people = defineRequest("people", {
  isLocal: true,
  words: () => "Enter opens the place where it is seen to who may in",
  run: () => {
    openPeople();
    return true;
  },
});

export const keepCueRequest = defineRequest("keepCue", {
  needs: "edit",
  words: ({ list, cue, keep }) => {
    if (!keep) return `Enter lets others change cue ${cue} again`;
    const kept = keptNow(list, cue);
    return kept && !isMine(kept)
      ? `${nameOfOther(kept.person)} keeps cue ${cue}; Enter takes it over, and tells them`
      : `Enter keeps cue ${cue} for you for ten minutes: others take it over before they change it`;
  },
  run: ({ list, cue, keep }, { id }) => keepCue(id, list, cue, keep),
});

export const help = defineRequest("help", {
  isLocal: true,
  words: () => "Enter opens the help",
  run: () => {
    openHelp();
    return true;
  },
});

export const numbers = defineRequest("numbers", {
  needs: "edit",
  isLocal: true,
  words: () => "Enter opens the table of the numbers, old and new",
  run: ({ cues }, { sheet }, target) => {
    const all = listAt(sheet, target).cues;
    const [first, last] = [all[0]?.number, all.at(-1)?.number];
    if (first === undefined || last === undefined) {
      notify("There is no cue in this list to give a number", "trouble");
      return false;
    }
    openNumbers(cues?.from ?? first, cues?.to ?? last);
    return true;
  },
});

export const importCues = defineRequest("importCues", {
  needs: "edit",
  isLocal: true,
  words: () => "Enter opens the other show's cues, to be taken after their impact was shown",
  run: (request) => {
    openTake(request);
    return true;
  },
});
