import { count, listOf } from "@zm/core";
import { notify } from "../../shared/notices.ts";
import { findingsIn } from "../../show/findings.ts";
import { nameVersion as storeName } from "../../show/past/past.ts";
import { beginRehearsal } from "../../show/rehearsal/rehearsal.ts";
import { defineRequest } from "./kind.ts";
import { listAt } from "../listAt.ts";

export const accept = defineRequest("accept", {
  needs: "edit",
  words: ({ cues }, { list }) => {
    const found = findingsIn(list, cues);
    if (found.length > 0) return `Enter accepts ${count(found.length, "finding")} with this note`;
    const where = cues.from === cues.to ? `cue ${cues.from}` : `cues ${cues.from} to ${cues.to}`;
    return { text: `Check has found nothing in ${where}`, fault: true };
  },
  run: ({ cues, note }, tools, { list }) => tools.accept(findingsIn(list ?? listOf(tools.sheet).id, cues), note),
});

export const nameVersion = defineRequest("nameVersion", {
  needs: "edit",
  words: ({ name }) => `Enter calls the show as it is now “${name}”, to compare with later`,
  run: async ({ name }, { client, id, revision }) => {
    await storeName(client, id, revision, name);
    notify(`The show as it is now is called “${name}”`);
    return true;
  },
});

export const rehearse = defineRequest("rehearse", {
  isLocal: true,
  words: ({ speed }) => `Enter runs the whole list${speed === 1 ? "" : `, called ${speed} times as fast`}, and lists what would be seen`,
  run: ({ speed }, { id, sheet, revision, navigate }, target) => {
    beginRehearsal({ show: id, list: listAt(sheet, target).id, revision, speed, as: "now" });
    void navigate(`/show/${id}/check/rehearsal`);
    return true;
  },
});
