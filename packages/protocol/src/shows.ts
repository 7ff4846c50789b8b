import type { Show } from "@zm/core";
import { z } from "zod";
import { authorFields, historyState } from "./history.ts";
import { trusted } from "./trusted.ts";

/** What a show document is sent as. */
export const SHOW_TYPE = "application/vnd.zealous-mark.show+json";
/** The header that the application's own requests carry; a form or a picture on a foreign page cannot send it. */
export const OWN_HEADER = { name: "X-Requested-With", value: "zealous-mark" } as const;
/** The header by which an import can be asked how far it is. */
export const IMPORT_HEADER = "X-Import";

/** A show in the list of shows. */
export const showSummary = z.object({ id: z.number(), title: z.string(), revision: z.number() });
export type ShowSummary = z.infer<typeof showSummary>;

/** A show as a window opens it. The server has checked the document, so it is taken as it is. */
export const openShowReply = z.object({ revision: z.number(), show: trusted<Show>(), history: historyState });
export type OpenShowReply = z.infer<typeof openShowReply>;

/** How far an import is: reading the document, storing its moves, or over. */
export const importState = z.object({ stage: z.enum(["reading", "storing", "over"]), stored: z.number(), all: z.number() });
export type ImportState = z.infer<typeof importState>;

export const importReply = z.object({ id: z.number() });
export type ImportReply = z.infer<typeof importReply>;

/** The name of a show: the new one for a renaming, the present one for a removal. */
export const titleRequest = z.object({ ...authorFields, title: z.string().min(1).max(200) });
export type TitleRequest = z.infer<typeof titleRequest>;

/** Whether a request of this name has been stored; asked after a server or a database that was away has come back. */
export const storedReply = z.object({ stored: z.boolean() });
export type StoredReply = z.infer<typeof storedReply>;

export const removeReply = z.object({ removed: z.number() });
export type RemoveReply = z.infer<typeof removeReply>;

/** What every refusal says: the first fault as a message, and all of them. */
export const refusalReply = z.object({ message: z.string(), faults: z.array(z.string()) });
