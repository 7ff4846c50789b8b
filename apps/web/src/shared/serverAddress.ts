/** The server that this window asks: at first the one that its page came from, whose address is left out. */
let address = "";
/** What this window carries to another server of its shows, where it has no cookie. */
let passage: string | null = null;

/** Which server is asked and with what, for a thread of the window to ask the same. */
export interface ServerPlace {
  readonly address: string;
  readonly passage: string | null;
}

export function serverPlace(): ServerPlace {
  return { address, passage };
}

export function setServerPlace(place: ServerPlace): void {
  address = place.address;
  passage = place.passage;
}

/** The whole address of a path of the server. */
export function serverUrl(path: string): string {
  return `${address}${path}`;
}

/** The address of the server that is asked, as it calls itself. */
export function serverAddress(): string {
  return address === "" ? window.location.origin : address;
}

/** Asks another server of these shows from now on. */
export function setServerAddress(other: string): void {
  address = other === window.location.origin ? "" : other;
}

/** What lets this window in at another server; kept while the one it came from is there. */
export function setPassage(token: string | null): void {
  passage = token;
}

/** What a request to another server carries; nothing for the one that the page came from, which knows the browser. */
export function passageOf(): string | null {
  return address === "" ? null : passage;
}
