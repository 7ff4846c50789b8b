import { openPeople } from "../../shared/dialogs.ts";
import { handOver, handOverWords, serversNow } from "../../show/servers.ts";
import { defineRequest } from "./kind.ts";

export const servers = defineRequest("servers", {
  isLocal: true,
  words: () => "Enter opens the place where it is seen to which server leads, and which stands ready",
  run: () => {
    openPeople();
    return true;
  },
});

export const handOverLead = defineRequest("handOver", {
  needs: "run",
  isLocal: true,
  words: () => handOverWords(serversNow()),
  run: () => {
    void handOver();
    return true;
  },
});
